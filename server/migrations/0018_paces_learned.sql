-- What a job teaches has grown by the pace of hands: worked out anew from its log when it is asked for.
DELETE FROM `job_lessons`;
