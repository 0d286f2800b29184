-- Glances say what is still to be done of a job: worked out anew when they are asked for.
DELETE FROM `job_glances`;
