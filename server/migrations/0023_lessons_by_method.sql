-- In which way it was laid is learned from the logs anew, the next time somebody asks.
DELETE FROM job_lessons;
