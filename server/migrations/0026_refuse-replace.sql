-- INSERT OR REPLACE removes what stood under the same name without asking whoever refuses a removal.
CREATE TRIGGER run_log_never_replaced BEFORE INSERT ON run_log
WHEN EXISTS (SELECT 1 FROM run_log WHERE seq = NEW.seq OR (job_id = NEW.job_id AND id = NEW.id))
BEGIN
  SELECT RAISE(ABORT, 'the run log is append-only');
END;
--> statement-breakpoint
CREATE TRIGGER stock_log_never_replaced BEFORE INSERT ON stock_log
WHEN EXISTS (SELECT 1 FROM stock_log WHERE seq = NEW.seq OR id = NEW.id)
BEGIN
  SELECT RAISE(ABORT, 'the stock log is append-only');
END;
--> statement-breakpoint
CREATE TRIGGER deeds_never_replaced BEFORE INSERT ON deeds
WHEN EXISTS (SELECT 1 FROM deeds WHERE seq = NEW.seq)
BEGIN
  SELECT RAISE(ABORT, 'what was done is append-only');
END;
--> statement-breakpoint
CREATE TRIGGER handovers_never_replaced BEFORE INSERT ON handovers
WHEN EXISTS (SELECT 1 FROM handovers WHERE id = NEW.id)
BEGIN
  SELECT RAISE(ABORT, 'what was signed is append-only');
END;
