-- No text is longer than the program takes it, whoever writes it. What is longer from before stays until it is changed.

CREATE TRIGGER company_texts_inserted BEFORE INSERT ON company
WHEN length(NEW.settings) > 500000
BEGIN SELECT RAISE(ABORT, 'A text of company is longer than it may be'); END;

CREATE TRIGGER company_texts_updated BEFORE UPDATE OF settings ON company
WHEN length(NEW.settings) > 500000
BEGIN SELECT RAISE(ABORT, 'A text of company is longer than it may be'); END;

CREATE TRIGGER account_texts_inserted BEFORE INSERT ON account
WHEN length(NEW.code) > 200 OR length(NEW.name) > 200 OR length(NEW.terms) > 1000 OR
    length(NEW.late_charge_policy) > 200 OR length(NEW.reminder_plan) > 200 OR length(NEW.group_name) >
    200 OR length(NEW.owner) > 200 OR length(NEW.email) > 1000 OR length(NEW.address) > 500 OR
    length(NEW.tax_code) > 200 OR length(NEW.profile) > 200000
BEGIN SELECT RAISE(ABORT, 'A text of account is longer than it may be'); END;

CREATE TRIGGER account_texts_updated BEFORE UPDATE OF code, name, terms, late_charge_policy, reminder_plan, group_name, owner, email, address, tax_code, profile ON account
WHEN length(NEW.code) > 200 OR length(NEW.name) > 200 OR length(NEW.terms) > 1000 OR
    length(NEW.late_charge_policy) > 200 OR length(NEW.reminder_plan) > 200 OR length(NEW.group_name) >
    200 OR length(NEW.owner) > 200 OR length(NEW.email) > 1000 OR length(NEW.address) > 500 OR
    length(NEW.tax_code) > 200 OR length(NEW.profile) > 200000
BEGIN SELECT RAISE(ABORT, 'A text of account is longer than it may be'); END;

CREATE TRIGGER state_change_texts_inserted BEFORE INSERT ON state_change
WHEN length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of state_change is longer than it may be'); END;

CREATE TRIGGER state_change_texts_updated BEFORE UPDATE OF reason, made_by ON state_change
WHEN length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of state_change is longer than it may be'); END;

CREATE TRIGGER entry_texts_inserted BEFORE INSERT ON entry
WHEN length(NEW.text) > 1000 OR length(NEW.posted_by) > 200 OR length(NEW.request_key) > 200
BEGIN SELECT RAISE(ABORT, 'A text of entry is longer than it may be'); END;

CREATE TRIGGER entry_texts_updated BEFORE UPDATE OF text, posted_by, request_key ON entry
WHEN length(NEW.text) > 1000 OR length(NEW.posted_by) > 200 OR length(NEW.request_key) > 200
BEGIN SELECT RAISE(ABORT, 'A text of entry is longer than it may be'); END;

CREATE TRIGGER journal_line_texts_inserted BEFORE INSERT ON journal_line
WHEN length(NEW.account) > 200
BEGIN SELECT RAISE(ABORT, 'A text of journal_line is longer than it may be'); END;

CREATE TRIGGER journal_line_texts_updated BEFORE UPDATE OF account ON journal_line
WHEN length(NEW.account) > 200
BEGIN SELECT RAISE(ABORT, 'A text of journal_line is longer than it may be'); END;

-- A trigger would cost a sixth of an import. This index has no row; to put one in, a text that is no JSON would have to
-- be made into it.
CREATE INDEX document_texts_inserted ON document (json('longer than it may be: ' || number))
WHERE length(number) > 200 OR length(reference) > 200 OR length(payment_method) > 200;

CREATE TRIGGER document_texts_updated BEFORE UPDATE OF number, reference, payment_method ON document
WHEN length(NEW.number) > 200 OR length(NEW.reference) > 200 OR length(NEW.payment_method) > 200
BEGIN SELECT RAISE(ABORT, 'A text of document is longer than it may be'); END;

CREATE TRIGGER reminder_texts_inserted BEFORE INSERT ON reminder
WHEN length(NEW.number) > 200 OR length(NEW.issued_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of reminder is longer than it may be'); END;

CREATE TRIGGER reminder_texts_updated BEFORE UPDATE OF number, issued_by ON reminder
WHEN length(NEW.number) > 200 OR length(NEW.issued_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of reminder is longer than it may be'); END;

CREATE TRIGGER reminder_cancelled_texts_inserted BEFORE INSERT ON reminder_cancelled
WHEN length(NEW.reason) > 500 OR length(NEW.cancelled_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of reminder_cancelled is longer than it may be'); END;

CREATE TRIGGER reminder_cancelled_texts_updated BEFORE UPDATE OF reason, cancelled_by ON reminder_cancelled
WHEN length(NEW.reason) > 500 OR length(NEW.cancelled_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of reminder_cancelled is longer than it may be'); END;

CREATE TRIGGER audit_texts_inserted BEFORE INSERT ON audit
WHEN length(NEW.who) > 200 OR length(NEW.subject) > 200 OR length(NEW.action) > 200 OR length(NEW.detail)
    > 2000000 OR length(NEW.reason) > 500
BEGIN SELECT RAISE(ABORT, 'A text of audit is longer than it may be'); END;

CREATE TRIGGER audit_texts_updated BEFORE UPDATE OF who, subject, action, detail, reason ON audit
WHEN length(NEW.who) > 200 OR length(NEW.subject) > 200 OR length(NEW.action) > 200 OR length(NEW.detail)
    > 2000000 OR length(NEW.reason) > 500
BEGIN SELECT RAISE(ABORT, 'A text of audit is longer than it may be'); END;

CREATE TRIGGER policy_texts_inserted BEFORE INSERT ON policy
WHEN length(NEW.code) > 200 OR length(NEW.name) > 200 OR length(NEW.definition) > 1000000 OR
    length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of policy is longer than it may be'); END;

CREATE TRIGGER policy_texts_updated BEFORE UPDATE OF code, name, definition, made_by ON policy
WHEN length(NEW.code) > 200 OR length(NEW.name) > 200 OR length(NEW.definition) > 1000000 OR
    length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of policy is longer than it may be'); END;

CREATE TRIGGER account_identifier_texts_inserted BEFORE INSERT ON account_identifier
WHEN length(NEW.scheme) > 200 OR length(NEW.number) > 200
BEGIN SELECT RAISE(ABORT, 'A text of account_identifier is longer than it may be'); END;

CREATE TRIGGER account_identifier_texts_updated BEFORE UPDATE OF scheme, number ON account_identifier
WHEN length(NEW.scheme) > 200 OR length(NEW.number) > 200
BEGIN SELECT RAISE(ABORT, 'A text of account_identifier is longer than it may be'); END;

CREATE TRIGGER attachment_texts_inserted BEFORE INSERT ON attachment
WHEN length(NEW.name) > 200 OR length(NEW.media_type) > 200 OR length(NEW.note) > 4000 OR
    length(NEW.added_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of attachment is longer than it may be'); END;

CREATE TRIGGER attachment_texts_updated BEFORE UPDATE OF name, media_type, note, added_by ON attachment
WHEN length(NEW.name) > 200 OR length(NEW.media_type) > 200 OR length(NEW.note) > 4000 OR
    length(NEW.added_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of attachment is longer than it may be'); END;

CREATE TRIGGER contact_log_texts_inserted BEFORE INSERT ON contact_log
WHEN length(NEW.contact) > 200 OR length(NEW.text) > 4000 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of contact_log is longer than it may be'); END;

CREATE TRIGGER contact_log_texts_updated BEFORE UPDATE OF contact, text, made_by ON contact_log
WHEN length(NEW.contact) > 200 OR length(NEW.text) > 4000 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of contact_log is longer than it may be'); END;

CREATE TRIGGER change_batch_texts_inserted BEFORE INSERT ON change_batch
WHEN length(NEW.field) > 200 OR length(NEW.value) > 1000 OR length(NEW.reason) > 500 OR
    length(NEW.made_by) > 200 OR length(NEW.undone_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of change_batch is longer than it may be'); END;

CREATE TRIGGER change_batch_texts_updated BEFORE UPDATE OF field, value, reason, made_by, undone_by ON change_batch
WHEN length(NEW.field) > 200 OR length(NEW.value) > 1000 OR length(NEW.reason) > 500 OR
    length(NEW.made_by) > 200 OR length(NEW.undone_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of change_batch is longer than it may be'); END;

CREATE TRIGGER change_batch_line_texts_inserted BEFORE INSERT ON change_batch_line
WHEN length(NEW.before) > 1000 OR length(NEW.after) > 1000
BEGIN SELECT RAISE(ABORT, 'A text of change_batch_line is longer than it may be'); END;

CREATE TRIGGER change_batch_line_texts_updated BEFORE UPDATE OF before, after ON change_batch_line
WHEN length(NEW.before) > 1000 OR length(NEW.after) > 1000
BEGIN SELECT RAISE(ABORT, 'A text of change_batch_line is longer than it may be'); END;

CREATE TRIGGER user_account_texts_inserted BEFORE INSERT ON user_account
WHEN length(NEW.name) > 200 OR length(NEW.full_name) > 200 OR length(NEW.authority) > 1000
BEGIN SELECT RAISE(ABORT, 'A text of user_account is longer than it may be'); END;

CREATE TRIGGER user_account_texts_updated BEFORE UPDATE OF name, full_name, authority ON user_account
WHEN length(NEW.name) > 200 OR length(NEW.full_name) > 200 OR length(NEW.authority) > 1000
BEGIN SELECT RAISE(ABORT, 'A text of user_account is longer than it may be'); END;

CREATE TRIGGER api_key_texts_inserted BEFORE INSERT ON api_key
WHEN length(NEW.name) > 200 OR length(NEW.made_by) > 200 OR length(NEW.revoked_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of api_key is longer than it may be'); END;

CREATE TRIGGER api_key_texts_updated BEFORE UPDATE OF name, made_by, revoked_by ON api_key
WHEN length(NEW.name) > 200 OR length(NEW.made_by) > 200 OR length(NEW.revoked_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of api_key is longer than it may be'); END;

CREATE TRIGGER account_group_texts_inserted BEFORE INSERT ON account_group
WHEN length(NEW.name) > 200 OR length(NEW.parent) > 200
BEGIN SELECT RAISE(ABORT, 'A text of account_group is longer than it may be'); END;

CREATE TRIGGER account_group_texts_updated BEFORE UPDATE OF name, parent ON account_group
WHEN length(NEW.name) > 200 OR length(NEW.parent) > 200
BEGIN SELECT RAISE(ABORT, 'A text of account_group is longer than it may be'); END;

CREATE TRIGGER limit_change_texts_inserted BEFORE INSERT ON limit_change
WHEN length(NEW.security) > 200 OR length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of limit_change is longer than it may be'); END;

CREATE TRIGGER limit_change_texts_updated BEFORE UPDATE OF security, reason, made_by ON limit_change
WHEN length(NEW.security) > 200 OR length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of limit_change is longer than it may be'); END;

CREATE TRIGGER uplift_texts_inserted BEFORE INSERT ON uplift
WHEN length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of uplift is longer than it may be'); END;

CREATE TRIGGER uplift_texts_updated BEFORE UPDATE OF reason, made_by ON uplift
WHEN length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of uplift is longer than it may be'); END;

CREATE TRIGGER uplift_end_texts_inserted BEFORE INSERT ON uplift_end
WHEN length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of uplift_end is longer than it may be'); END;

CREATE TRIGGER uplift_end_texts_updated BEFORE UPDATE OF reason, made_by ON uplift_end
WHEN length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of uplift_end is longer than it may be'); END;

CREATE TRIGGER limit_request_texts_inserted BEFORE INSERT ON limit_request
WHEN length(NEW.proposal) > 10000 OR length(NEW.asked_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of limit_request is longer than it may be'); END;

CREATE TRIGGER limit_request_texts_updated BEFORE UPDATE OF proposal, asked_by ON limit_request
WHEN length(NEW.proposal) > 10000 OR length(NEW.asked_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of limit_request is longer than it may be'); END;

CREATE TRIGGER limit_request_answer_texts_inserted BEFORE INSERT ON limit_request_answer
WHEN length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of limit_request_answer is longer than it may be'); END;

CREATE TRIGGER limit_request_answer_texts_updated BEFORE UPDATE OF reason, made_by ON limit_request_answer
WHEN length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of limit_request_answer is longer than it may be'); END;

CREATE TRIGGER exchange_rate_texts_inserted BEFORE INSERT ON exchange_rate
WHEN length(NEW.rate) > 40 OR length(NEW.source) > 200 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of exchange_rate is longer than it may be'); END;

CREATE TRIGGER exchange_rate_texts_updated BEFORE UPDATE OF rate, source, made_by ON exchange_rate
WHEN length(NEW.rate) > 40 OR length(NEW.source) > 200 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of exchange_rate is longer than it may be'); END;

CREATE TRIGGER agency_report_texts_inserted BEFORE INSERT ON agency_report
WHEN length(NEW.agency) > 200 OR length(NEW.rating) > 200 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of agency_report is longer than it may be'); END;

CREATE TRIGGER agency_report_texts_updated BEFORE UPDATE OF agency, rating, made_by ON agency_report
WHEN length(NEW.agency) > 200 OR length(NEW.rating) > 200 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of agency_report is longer than it may be'); END;

CREATE TRIGGER dispute_texts_inserted BEFORE INSERT ON dispute
WHEN length(NEW.owner) > 200 OR length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of dispute is longer than it may be'); END;

CREATE TRIGGER dispute_texts_updated BEFORE UPDATE OF owner, reason, made_by ON dispute
WHEN length(NEW.owner) > 200 OR length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of dispute is longer than it may be'); END;

CREATE TRIGGER dispute_settled_texts_inserted BEFORE INSERT ON dispute_settled
WHEN length(NEW.outcome) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of dispute_settled is longer than it may be'); END;

CREATE TRIGGER dispute_settled_texts_updated BEFORE UPDATE OF outcome, made_by ON dispute_settled
WHEN length(NEW.outcome) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of dispute_settled is longer than it may be'); END;

CREATE TRIGGER promise_texts_inserted BEFORE INSERT ON promise
WHEN length(NEW.contact) > 200 OR length(NEW.note) > 4000 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of promise is longer than it may be'); END;

CREATE TRIGGER promise_texts_updated BEFORE UPDATE OF contact, note, made_by ON promise
WHEN length(NEW.contact) > 200 OR length(NEW.note) > 4000 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of promise is longer than it may be'); END;

CREATE TRIGGER promise_withdrawn_texts_inserted BEFORE INSERT ON promise_withdrawn
WHEN length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of promise_withdrawn is longer than it may be'); END;

CREATE TRIGGER promise_withdrawn_texts_updated BEFORE UPDATE OF reason, made_by ON promise_withdrawn
WHEN length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of promise_withdrawn is longer than it may be'); END;

CREATE TRIGGER sales_order_texts_inserted BEFORE INSERT ON sales_order
WHEN length(NEW.number) > 200 OR length(NEW.reference) > 200 OR length(NEW.source) > 200 OR
    length(NEW.made_by) > 200 OR length(NEW.request_key) > 200
BEGIN SELECT RAISE(ABORT, 'A text of sales_order is longer than it may be'); END;

CREATE TRIGGER sales_order_texts_updated BEFORE UPDATE OF number, reference, source, made_by, request_key ON sales_order
WHEN length(NEW.number) > 200 OR length(NEW.reference) > 200 OR length(NEW.source) > 200 OR
    length(NEW.made_by) > 200 OR length(NEW.request_key) > 200
BEGIN SELECT RAISE(ABORT, 'A text of sales_order is longer than it may be'); END;

CREATE TRIGGER order_step_texts_inserted BEFORE INSERT ON order_step
WHEN length(NEW.deliveries) > 50000 OR length(NEW.findings) > 50000 OR length(NEW.reason) > 500 OR
    length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of order_step is longer than it may be'); END;

CREATE TRIGGER order_step_texts_updated BEFORE UPDATE OF deliveries, findings, reason, made_by ON order_step
WHEN length(NEW.deliveries) > 50000 OR length(NEW.findings) > 50000 OR length(NEW.reason) > 500 OR
    length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of order_step is longer than it may be'); END;

CREATE TRIGGER today_put_off_texts_inserted BEFORE INSERT ON today_put_off
WHEN length(NEW.entry) > 200 OR length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of today_put_off is longer than it may be'); END;

CREATE TRIGGER today_put_off_texts_updated BEFORE UPDATE OF entry, reason, made_by ON today_put_off
WHEN length(NEW.entry) > 200 OR length(NEW.reason) > 500 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of today_put_off is longer than it may be'); END;

CREATE TRIGGER saved_view_texts_inserted BEFORE INSERT ON saved_view
WHEN length(NEW.name) > 200 OR length(NEW.query) > 1000 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of saved_view is longer than it may be'); END;

CREATE TRIGGER saved_view_texts_updated BEFORE UPDATE OF name, query, made_by ON saved_view
WHEN length(NEW.name) > 200 OR length(NEW.query) > 1000 OR length(NEW.made_by) > 200
BEGIN SELECT RAISE(ABORT, 'A text of saved_view is longer than it may be'); END;
