-- What the books say is bound to a chain of seals, one for each commit that changes something a person could gain by.
-- A seal holds the hash of the one before it, and digests of the rows that came in with the commit: of runs of rows that
-- only ever grow, and of records that may change, as they stood at the commit. See Seals/ in the store.
CREATE TABLE seal (
    id         INTEGER PRIMARY KEY,
    anew       INTEGER NOT NULL CHECK (anew IN (0, 1)), -- 1: everything was sealed as it stood, not by the commits it came in with
    at         TEXT    NOT NULL CHECK (length(at) <= 40),
    prior_hash TEXT    NOT NULL CHECK (length(prior_hash) IN (0, 64)),
    hash       TEXT    NOT NULL CHECK (length(hash) = 64)
) STRICT;
CREATE TABLE seal_run (
    of      TEXT    NOT NULL CHECK (length(of) <= 40),
    last    INTEGER NOT NULL,
    seal_id INTEGER NOT NULL REFERENCES seal,
    first   INTEGER NOT NULL,
    digest  BLOB    NOT NULL CHECK (length(digest) = 32),
    PRIMARY KEY (of, last, seal_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX seal_run_seal ON seal_run (seal_id);
CREATE TABLE seal_record (
    seal_id INTEGER NOT NULL REFERENCES seal,
    of      TEXT    NOT NULL CHECK (length(of) <= 40),
    key     TEXT    NOT NULL CHECK (length(key) <= 500),
    digest  BLOB    NOT NULL CHECK (length(digest) = 32),
    PRIMARY KEY (seal_id, of, key)
) STRICT, WITHOUT ROWID;
CREATE TRIGGER seal_no_update BEFORE UPDATE ON seal BEGIN SELECT RAISE(ABORT, 'seal is append-only'); END;
CREATE TRIGGER seal_no_delete BEFORE DELETE ON seal BEGIN SELECT RAISE(ABORT, 'seal is append-only'); END;
CREATE TRIGGER seal_run_no_update BEFORE UPDATE ON seal_run BEGIN SELECT RAISE(ABORT, 'seal_run is append-only'); END;
CREATE TRIGGER seal_run_no_delete BEFORE DELETE ON seal_run BEGIN SELECT RAISE(ABORT, 'seal_run is append-only'); END;
CREATE TRIGGER seal_record_no_update BEFORE UPDATE ON seal_record BEGIN SELECT RAISE(ABORT, 'seal_record is append-only'); END;
CREATE TRIGGER seal_record_no_delete BEFORE DELETE ON seal_record BEGIN SELECT RAISE(ABORT, 'seal_record is append-only'); END;

-- The records that a transaction touched, until it seals them. What another program touched stays here, and is named.
-- (OR IGNORE would give way to what the statement says that a trigger fires for.)
CREATE TABLE unsealed (
    of  TEXT NOT NULL CHECK (length(of) <= 40),
    key TEXT NOT NULL CHECK (length(key) <= 500),
    PRIMARY KEY (of, key)
) STRICT, WITHOUT ROWID;
CREATE TRIGGER account_unsealed_inserted AFTER INSERT ON account BEGIN INSERT INTO unsealed SELECT 'account', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'account' AND key = k); END;
CREATE TRIGGER account_unsealed_updated AFTER UPDATE ON account BEGIN INSERT INTO unsealed SELECT 'account', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'account' AND key = k); END;
CREATE TRIGGER account_unsealed_deleted AFTER DELETE ON account BEGIN INSERT INTO unsealed SELECT 'account', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'account' AND key = k); END;
CREATE TRIGGER account_identifier_unsealed_inserted AFTER INSERT ON account_identifier BEGIN INSERT INTO unsealed SELECT 'account_identifier', k FROM (SELECT CAST(NEW.account_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'account_identifier' AND key = k); END;
CREATE TRIGGER account_identifier_unsealed_updated AFTER UPDATE ON account_identifier BEGIN INSERT INTO unsealed SELECT 'account_identifier', k FROM (SELECT CAST(NEW.account_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'account_identifier' AND key = k); END;
CREATE TRIGGER account_identifier_unsealed_deleted AFTER DELETE ON account_identifier BEGIN INSERT INTO unsealed SELECT 'account_identifier', k FROM (SELECT CAST(OLD.account_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'account_identifier' AND key = k); END;
CREATE TRIGGER account_group_unsealed_inserted AFTER INSERT ON account_group BEGIN INSERT INTO unsealed SELECT 'account_group', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'account_group' AND key = k); END;
CREATE TRIGGER account_group_unsealed_updated AFTER UPDATE ON account_group BEGIN INSERT INTO unsealed SELECT 'account_group', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'account_group' AND key = k); END;
CREATE TRIGGER account_group_unsealed_deleted AFTER DELETE ON account_group BEGIN INSERT INTO unsealed SELECT 'account_group', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'account_group' AND key = k); END;
CREATE TRIGGER allocation_undone_unsealed_inserted AFTER INSERT ON allocation_undone BEGIN INSERT INTO unsealed SELECT 'allocation_undone', k FROM (SELECT CAST(NEW.allocation_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'allocation_undone' AND key = k); END;
CREATE TRIGGER allocation_undone_unsealed_updated AFTER UPDATE ON allocation_undone BEGIN INSERT INTO unsealed SELECT 'allocation_undone', k FROM (SELECT CAST(NEW.allocation_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'allocation_undone' AND key = k); END;
CREATE TRIGGER allocation_undone_unsealed_deleted AFTER DELETE ON allocation_undone BEGIN INSERT INTO unsealed SELECT 'allocation_undone', k FROM (SELECT CAST(OLD.allocation_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'allocation_undone' AND key = k); END;
CREATE TRIGGER api_key_unsealed_inserted AFTER INSERT ON api_key BEGIN INSERT INTO unsealed SELECT 'api_key', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'api_key' AND key = k); END;
CREATE TRIGGER api_key_unsealed_updated AFTER UPDATE ON api_key BEGIN INSERT INTO unsealed SELECT 'api_key', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'api_key' AND key = k); END;
CREATE TRIGGER api_key_unsealed_deleted AFTER DELETE ON api_key BEGIN INSERT INTO unsealed SELECT 'api_key', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'api_key' AND key = k); END;
CREATE TRIGGER attachment_unsealed_inserted AFTER INSERT ON attachment BEGIN INSERT INTO unsealed SELECT 'attachment', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'attachment' AND key = k); END;
CREATE TRIGGER attachment_unsealed_updated AFTER UPDATE ON attachment BEGIN INSERT INTO unsealed SELECT 'attachment', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'attachment' AND key = k); END;
CREATE TRIGGER attachment_unsealed_deleted AFTER DELETE ON attachment BEGIN INSERT INTO unsealed SELECT 'attachment', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'attachment' AND key = k); END;
CREATE TRIGGER change_batch_unsealed_inserted AFTER INSERT ON change_batch BEGIN INSERT INTO unsealed SELECT 'change_batch', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'change_batch' AND key = k); END;
CREATE TRIGGER change_batch_unsealed_updated AFTER UPDATE ON change_batch BEGIN INSERT INTO unsealed SELECT 'change_batch', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'change_batch' AND key = k); END;
CREATE TRIGGER change_batch_unsealed_deleted AFTER DELETE ON change_batch BEGIN INSERT INTO unsealed SELECT 'change_batch', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'change_batch' AND key = k); END;
CREATE TRIGGER change_batch_line_unsealed_inserted AFTER INSERT ON change_batch_line BEGIN INSERT INTO unsealed SELECT 'change_batch_line', k FROM (SELECT CAST(NEW.batch_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'change_batch_line' AND key = k); END;
CREATE TRIGGER change_batch_line_unsealed_updated AFTER UPDATE ON change_batch_line BEGIN INSERT INTO unsealed SELECT 'change_batch_line', k FROM (SELECT CAST(NEW.batch_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'change_batch_line' AND key = k); END;
CREATE TRIGGER change_batch_line_unsealed_deleted AFTER DELETE ON change_batch_line BEGIN INSERT INTO unsealed SELECT 'change_batch_line', k FROM (SELECT CAST(OLD.batch_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'change_batch_line' AND key = k); END;
CREATE TRIGGER company_unsealed_inserted AFTER INSERT ON company BEGIN INSERT INTO unsealed SELECT 'company', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'company' AND key = k); END;
CREATE TRIGGER company_unsealed_updated AFTER UPDATE OF settings, version ON company BEGIN INSERT INTO unsealed SELECT 'company', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'company' AND key = k); END;
CREATE TRIGGER company_unsealed_deleted AFTER DELETE ON company BEGIN INSERT INTO unsealed SELECT 'company', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'company' AND key = k); END;
CREATE TRIGGER dispute_settled_unsealed_inserted AFTER INSERT ON dispute_settled BEGIN INSERT INTO unsealed SELECT 'dispute_settled', k FROM (SELECT CAST(NEW.dispute_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'dispute_settled' AND key = k); END;
CREATE TRIGGER dispute_settled_unsealed_updated AFTER UPDATE ON dispute_settled BEGIN INSERT INTO unsealed SELECT 'dispute_settled', k FROM (SELECT CAST(NEW.dispute_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'dispute_settled' AND key = k); END;
CREATE TRIGGER dispute_settled_unsealed_deleted AFTER DELETE ON dispute_settled BEGIN INSERT INTO unsealed SELECT 'dispute_settled', k FROM (SELECT CAST(OLD.dispute_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'dispute_settled' AND key = k); END;
CREATE TRIGGER first_code_unsealed_inserted AFTER INSERT ON first_code BEGIN INSERT INTO unsealed SELECT 'first_code', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'first_code' AND key = k); END;
CREATE TRIGGER first_code_unsealed_updated AFTER UPDATE ON first_code BEGIN INSERT INTO unsealed SELECT 'first_code', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'first_code' AND key = k); END;
CREATE TRIGGER first_code_unsealed_deleted AFTER DELETE ON first_code BEGIN INSERT INTO unsealed SELECT 'first_code', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'first_code' AND key = k); END;
CREATE TRIGGER limit_request_answer_unsealed_inserted AFTER INSERT ON limit_request_answer BEGIN INSERT INTO unsealed SELECT 'limit_request_answer', k FROM (SELECT CAST(NEW.request_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'limit_request_answer' AND key = k); END;
CREATE TRIGGER limit_request_answer_unsealed_updated AFTER UPDATE ON limit_request_answer BEGIN INSERT INTO unsealed SELECT 'limit_request_answer', k FROM (SELECT CAST(NEW.request_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'limit_request_answer' AND key = k); END;
CREATE TRIGGER limit_request_answer_unsealed_deleted AFTER DELETE ON limit_request_answer BEGIN INSERT INTO unsealed SELECT 'limit_request_answer', k FROM (SELECT CAST(OLD.request_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'limit_request_answer' AND key = k); END;
CREATE TRIGGER number_series_unsealed_inserted AFTER INSERT ON number_series BEGIN INSERT INTO unsealed SELECT 'number_series', k FROM (SELECT CAST(NEW.name AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'number_series' AND key = k); END;
CREATE TRIGGER number_series_unsealed_updated AFTER UPDATE ON number_series BEGIN INSERT INTO unsealed SELECT 'number_series', k FROM (SELECT CAST(NEW.name AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'number_series' AND key = k); END;
CREATE TRIGGER number_series_unsealed_deleted AFTER DELETE ON number_series BEGIN INSERT INTO unsealed SELECT 'number_series', k FROM (SELECT CAST(OLD.name AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'number_series' AND key = k); END;
CREATE TRIGGER opening_reversal_unsealed_inserted AFTER INSERT ON opening_reversal BEGIN INSERT INTO unsealed SELECT 'opening_reversal', k FROM (SELECT CAST(NEW.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'opening_reversal' AND key = k); END;
CREATE TRIGGER opening_reversal_unsealed_updated AFTER UPDATE ON opening_reversal BEGIN INSERT INTO unsealed SELECT 'opening_reversal', k FROM (SELECT CAST(NEW.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'opening_reversal' AND key = k); END;
CREATE TRIGGER opening_reversal_unsealed_deleted AFTER DELETE ON opening_reversal BEGIN INSERT INTO unsealed SELECT 'opening_reversal', k FROM (SELECT CAST(OLD.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'opening_reversal' AND key = k); END;
CREATE TRIGGER order_step_unsealed_inserted AFTER INSERT ON order_step BEGIN INSERT INTO unsealed SELECT 'order_step', k FROM (SELECT CAST(NEW.order_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'order_step' AND key = k); END;
CREATE TRIGGER order_step_unsealed_updated AFTER UPDATE ON order_step BEGIN INSERT INTO unsealed SELECT 'order_step', k FROM (SELECT CAST(NEW.order_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'order_step' AND key = k); END;
CREATE TRIGGER order_step_unsealed_deleted AFTER DELETE ON order_step BEGIN INSERT INTO unsealed SELECT 'order_step', k FROM (SELECT CAST(OLD.order_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'order_step' AND key = k); END;
CREATE TRIGGER policy_unsealed_inserted AFTER INSERT ON policy BEGIN INSERT INTO unsealed SELECT 'policy', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'policy' AND key = k); END;
CREATE TRIGGER policy_unsealed_updated AFTER UPDATE ON policy BEGIN INSERT INTO unsealed SELECT 'policy', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'policy' AND key = k); END;
CREATE TRIGGER policy_unsealed_deleted AFTER DELETE ON policy BEGIN INSERT INTO unsealed SELECT 'policy', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'policy' AND key = k); END;
CREATE TRIGGER promise_withdrawn_unsealed_inserted AFTER INSERT ON promise_withdrawn BEGIN INSERT INTO unsealed SELECT 'promise_withdrawn', k FROM (SELECT CAST(NEW.promise_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'promise_withdrawn' AND key = k); END;
CREATE TRIGGER promise_withdrawn_unsealed_updated AFTER UPDATE ON promise_withdrawn BEGIN INSERT INTO unsealed SELECT 'promise_withdrawn', k FROM (SELECT CAST(NEW.promise_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'promise_withdrawn' AND key = k); END;
CREATE TRIGGER promise_withdrawn_unsealed_deleted AFTER DELETE ON promise_withdrawn BEGIN INSERT INTO unsealed SELECT 'promise_withdrawn', k FROM (SELECT CAST(OLD.promise_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'promise_withdrawn' AND key = k); END;
CREATE TRIGGER reminder_cancelled_unsealed_inserted AFTER INSERT ON reminder_cancelled BEGIN INSERT INTO unsealed SELECT 'reminder_cancelled', k FROM (SELECT CAST(NEW.reminder_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'reminder_cancelled' AND key = k); END;
CREATE TRIGGER reminder_cancelled_unsealed_updated AFTER UPDATE ON reminder_cancelled BEGIN INSERT INTO unsealed SELECT 'reminder_cancelled', k FROM (SELECT CAST(NEW.reminder_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'reminder_cancelled' AND key = k); END;
CREATE TRIGGER reminder_cancelled_unsealed_deleted AFTER DELETE ON reminder_cancelled BEGIN INSERT INTO unsealed SELECT 'reminder_cancelled', k FROM (SELECT CAST(OLD.reminder_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'reminder_cancelled' AND key = k); END;
CREATE TRIGGER saved_view_unsealed_inserted AFTER INSERT ON saved_view BEGIN INSERT INTO unsealed SELECT 'saved_view', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'saved_view' AND key = k); END;
CREATE TRIGGER saved_view_unsealed_updated AFTER UPDATE ON saved_view BEGIN INSERT INTO unsealed SELECT 'saved_view', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'saved_view' AND key = k); END;
CREATE TRIGGER saved_view_unsealed_deleted AFTER DELETE ON saved_view BEGIN INSERT INTO unsealed SELECT 'saved_view', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'saved_view' AND key = k); END;
CREATE TRIGGER today_put_off_unsealed_inserted AFTER INSERT ON today_put_off BEGIN INSERT INTO unsealed SELECT 'today_put_off', k FROM (SELECT CAST(NEW.entry AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'today_put_off' AND key = k); END;
CREATE TRIGGER today_put_off_unsealed_updated AFTER UPDATE ON today_put_off BEGIN INSERT INTO unsealed SELECT 'today_put_off', k FROM (SELECT CAST(NEW.entry AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'today_put_off' AND key = k); END;
CREATE TRIGGER today_put_off_unsealed_deleted AFTER DELETE ON today_put_off BEGIN INSERT INTO unsealed SELECT 'today_put_off', k FROM (SELECT CAST(OLD.entry AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'today_put_off' AND key = k); END;
CREATE TRIGGER uplift_end_unsealed_inserted AFTER INSERT ON uplift_end BEGIN INSERT INTO unsealed SELECT 'uplift_end', k FROM (SELECT CAST(NEW.uplift_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'uplift_end' AND key = k); END;
CREATE TRIGGER uplift_end_unsealed_updated AFTER UPDATE ON uplift_end BEGIN INSERT INTO unsealed SELECT 'uplift_end', k FROM (SELECT CAST(NEW.uplift_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'uplift_end' AND key = k); END;
CREATE TRIGGER uplift_end_unsealed_deleted AFTER DELETE ON uplift_end BEGIN INSERT INTO unsealed SELECT 'uplift_end', k FROM (SELECT CAST(OLD.uplift_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'uplift_end' AND key = k); END;
CREATE TRIGGER user_account_unsealed_inserted AFTER INSERT ON user_account BEGIN INSERT INTO unsealed SELECT 'user_account', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'user_account' AND key = k); END;
CREATE TRIGGER user_account_unsealed_updated AFTER UPDATE ON user_account BEGIN INSERT INTO unsealed SELECT 'user_account', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'user_account' AND key = k); END;
CREATE TRIGGER user_account_unsealed_deleted AFTER DELETE ON user_account BEGIN INSERT INTO unsealed SELECT 'user_account', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'user_account' AND key = k); END;
-- Movements after the one that opens an item are noted by whoever writes them: a trigger, though it did nothing, would
-- make each of the millions that an import writes a third slower.
