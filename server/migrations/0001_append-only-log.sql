-- The run log only grows. A mistake is undone by a later entry, never by changing an earlier one.
CREATE TRIGGER run_log_never_changed BEFORE UPDATE ON run_log
BEGIN
  SELECT RAISE(ABORT, 'the run log is append-only');
END;
--> statement-breakpoint
CREATE TRIGGER run_log_never_removed BEFORE DELETE ON run_log
BEGIN
  SELECT RAISE(ABORT, 'the run log is append-only');
END;
