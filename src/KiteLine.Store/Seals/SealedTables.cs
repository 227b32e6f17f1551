namespace KiteLine.Store;

/// <summary>
/// Everything in the books that is sealed. A test holds that each table of the books is among these or among the few
/// that need not be, each with its reason.
/// </summary>
internal static class SealedTables
{
    /// <summary>Rows that only ever grow, by rising keys: sealed in runs.</summary>
    /// <param name="Rows">The rows.</param>
    /// <param name="Grows">The table whose identifiers say how far it has grown.</param>
    internal sealed record Run(SealedTable Rows, string Grows);

    internal static IReadOnlyList<Run> Runs { get; } =
    [
        Own("entry"),
        Own("document"),
        new(new("item", "item", "id", "", "", "open", "reminder_level", "reminded_on", "reminders"), "item"),
        new(new("movement", "movement", "item_id", "", " AND seq = 1"), "item"),
        new(new("journal_line", "journal_line", "entry_id", ", line"), "entry"),
        new(new("charge_line", "charge_line", "entry_id", ", item_id"), "entry"),
        Own("allocation"),
        Own("reminder"),
        new(new("reminder_item", "reminder_item", "reminder_id", ", item_id"), "reminder"),
        Own("state_change"),
        Own("limit_change"),
        Own("uplift"),
        Own("limit_request"),
        Own("dispute"),
        Own("promise"),
        Own("sales_order"),
        Own("exchange_rate"),
        Own("agency_report"),
        Own("contact_log"),
        Own("hand_over"),
        Own("receipt_move"),
        Own("refund"),
        Own("payment_file"),
        Own("payment_file_refund"),
        Own("hand_receipt"),
        Own("banking_batch"),
        Own("banking_batch_receipt"),
        Own("slip_change"),
        Own("cleared"),
        new(new("message", "message", "id", "", "", "state", "tries", "due_at"), "message"),
        Own("message_step"),
        Own("message_file"),
        Own("account_pause"),
        Own("account_pause_ended"),
        Own("collection_case"),
        Own("collection_taken_back"),
        new(new("run", "run", "id", "", "", "state"), "run"),
        Own("run_step"),
        Own("run_change"),
        Own("run_posting"),
        Own("call_again"),
        Own("former_group"),
        Own("former_parent"),
        Own("amendment"),
        Own("due_change"),
        Own("letter_paid"),
        Own("document_paper"),
        Own("reminder_paper"),
        Own("paper"),
        Own("letterhead"),
        Own("provision_matrix"),
        Own("audit"),
    ];

    /// <summary>Records that may change or go, and rows that come in by the key of an older one.</summary>
    internal static IReadOnlyList<SealedTable> Records { get; } =
    [
        new("account", "account", "id"),
        new("account_identifier", "account_identifier", "account_id", ", scheme, number"),
        new("account_group", "account_group", "id"),
        new("allocation_undone", "allocation_undone", "allocation_id", ", id"),
        new("api_key", "api_key", "id"),
        new("attachment", "attachment", "id"),
        new("bank_entry", "bank_entry", "statement_id", ", id"),
        new("bank_entry_aside", "bank_entry_aside", "entry_id", ", id"),
        new("bank_entry_posted", "bank_entry_posted", "entry_id", ", id"),
        new("bank_entry_taken_up", "bank_entry_taken_up", "aside_id"),
        new("bank_statement", "bank_statement", "id"),
        new("change_batch", "change_batch", "id"),
        new("change_batch_line", "change_batch_line", "batch_id", ", account_id"),
        new("company", "company", "id", "", "", "changes"),
        new("credited_invoice", "credited_invoice", "document_id"),
        new("dispute_settled", "dispute_settled", "dispute_id"),
        new("document_line", "document_line", "document_id", ", line"),
        new("document_tax", "document_tax", "document_id", ", part"),
        new("document_terms", "document_terms", "document_id"),
        new("first_code", "first_code", "id"),
        new("limit_request_answer", "limit_request_answer", "request_id"),
        new("mailed_view", "mailed_view", "id"),
        new("movement_later", "movement", "item_id", ", seq", " AND seq > 1"),
        new("number_series", "number_series", "name"),
        new("opening_reversal", "opening_reversal", "document_id"),
        new("order_step", "order_step", "order_id", ", seq"),
        new("order_terms", "order_terms", "order_id"),
        new("own_account", "own_account", "id"),
        new("payer_account", "payer_account", "id"),
        new("policy", "policy", "id"),
        new("promise_withdrawn", "promise_withdrawn", "promise_id"),
        new("reminder_cancelled", "reminder_cancelled", "reminder_id"),
        new("saved_view", "saved_view", "id"),
        new("schedule", "schedule", "name"),
        new("today_put_off", "today_put_off", "entry"),
        new("unassigned_receipt", "unassigned_receipt", "id"),
        new("unassigned_receipt_assigned", "unassigned_receipt_assigned", "receipt_id", ", id"),
        new("uplift_end", "uplift_end", "uplift_id"),
        new("user_account", "user_account", "id"),
        new("what_if", "what_if", "id"),
    ];

    private static Run Own(string table) => new(new(table, table, "id"), table);
}
