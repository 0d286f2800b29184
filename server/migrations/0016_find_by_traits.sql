-- Glances are found by more now: each is worked out anew when it is next looked at.
DELETE FROM job_glances;
