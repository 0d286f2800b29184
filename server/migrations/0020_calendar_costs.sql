-- Glances say what a job costs beside its hours: worked out anew when they are asked for.
DELETE FROM `job_glances`;
