-- Who set a rate, as what somebody did is compared by; empty where a service published it.
ALTER TABLE exchange_rate ADD COLUMN identity TEXT NOT NULL DEFAULT '' CHECK (length(identity) <= 200);
