-- How far people work ahead is said in the job now: until here a job that did not say was laid by the safe way.
UPDATE jobs SET document = json_set(document, '$.crew.ahead', 'safe') WHERE json_extract(document, '$.crew.ahead') IS NULL;
