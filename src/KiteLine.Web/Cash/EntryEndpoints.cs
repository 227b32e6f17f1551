using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>One line of a bank statement: looked at, and what became of it decided.</summary>
internal static class EntryEndpoints
{
    internal static void MapBankEntries(this RouteGroupBuilder api)
    {
        var entries = api.MapGroup("/bank/entries/{id:long}").WithTags("Cash");
        entries
            .MapGet("/", InHand)
            .By(Role.Viewer)
            .WithName("getBankEntry")
            .WithSummary("A line of a statement with what it could settle, on the account recognised or another one")
            .ProducesProblem(404);
        entries
            .MapPost("/receipt", Place)
            .By(Role.Controller)
            .WithName("placeBankEntry")
            .WithSummary("Posts it as a receipt on an account, as proposed or with chosen items")
            .ProducesProblem(400)
            .ProducesProblem(404);
        entries
            .MapPost("/unassigned", LeaveUnassigned)
            .By(Role.Controller)
            .WithName("postUnassigned")
            .WithSummary("Posts it without an account, until its payer is known")
            .ProducesProblem(400)
            .ProducesProblem(404);
        entries
            .MapPost("/return", Return)
            .By(Role.Controller)
            .WithName("returnReceipt")
            .WithSummary("Reverses the receipt that it takes back")
            .ProducesProblem(400)
            .ProducesProblem(404);
        entries
            .MapPost("/aside", PutAside)
            .By(Role.Controller)
            .WithName("putEntryAside")
            .WithSummary("Puts it aside as no customer's business")
            .ProducesProblem(400)
            .ProducesProblem(404);
        entries
            .MapPost("/take-up", TakeUp)
            .By(Role.Controller)
            .WithName("takeEntryUp")
            .WithSummary("Takes up again what was put aside")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static EntryInHandView InHand(long id, string? account, Desk desk) =>
        desk.Books.Read(c =>
        {
            var stored = BankEntryStore.Get(c, id);
            var entry = stored.Entry;
            var waits = stored.State == EntryState.Waiting;
            var payer = waits && entry.IsReceipt ? BankDesk.PayerOf(c, entry) : null;
            return new EntryInHandView(
                StatementLineView.Of(stored, null, _ => ""),
                entry.Remittance,
                entry.PayerAccount,
                entry.Charges,
                entry.Foreign,
                [.. EntryFindings.OfEntry(entry, waits && payer is null)],
                waits && entry.IsReceipt
                    ? PlacingReader.Read(c, desk, BankDesk.Money(c, stored), payer, account)
                    : null,
                waits ? [.. ReturnDesk.Candidates(c, stored).Select(ReturnedReceiptView.Of)] : [],
                waits ? [.. Cleared.Candidates(c, stored).Select(InTransitView.Of)] : [],
                stored.Cleared
            );
        });

    private static EffectView Place(long id, bool? preview, PlaceEntryRequest request, Desk desk, HttpContext context)
    {
        var placement = PaymentChoices.Read(request);
        return PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) => desk.Bank.Preview(c, id, placement, context.Who().Authority, rules),
            tx => desk.Bank.Place(tx, id, placement),
            PaymentEffect.With
        );
    }

    private static UnassignedEffectView LeaveUnassigned(long id, bool? preview, Desk desk, HttpContext context)
    {
        if (preview is true)
            return desk.Books.Read(c => Shown(c, true, 0, UnassignedDesk.Preview(c, id, desk.Rules(c))));
        return desk.Write(
            context,
            tx =>
            {
                var (entry, posting) = UnassignedDesk.Post(tx, id);
                return Shown(tx.Connection, false, entry, posting);
            }
        );
    }

    private static UnassignedEffectView Shown(SqliteConnection connection, bool preview, long entry, Posting posting)
    {
        var settings = CompanyStore.Settings(connection);
        return new(preview, entry, [.. posting.Lines.Select(l => JournalLineView.Of(l, settings, ""))]);
    }

    private static EffectView Return(long id, bool? preview, ReturnRequest request, Desk desk, HttpContext context) =>
        PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) =>
                ReturnDesk.Preview(
                    c,
                    id,
                    request.Posting,
                    request.Reason ?? "",
                    context.Who().Authority,
                    rules,
                    BankFee.Of(request.BankFee)
                ),
            tx => ReturnDesk.Reverse(tx, id, request.Posting, request.Reason ?? "", BankFee.Of(request.BankFee))
        );

    private static StatementLineView PutAside(long id, AsideRequest request, Desk desk, HttpContext context) =>
        Done(desk, context, id, tx => BankEntryStore.PutAside(tx, id, request.Reason ?? ""));

    private static StatementLineView TakeUp(long id, Desk desk, HttpContext context) =>
        Done(desk, context, id, tx => BankEntryStore.TakeUp(tx, id));

    private static StatementLineView Done(Desk desk, HttpContext context, long id, Action<Tx> work) =>
        desk.Write(
            context,
            tx =>
            {
                work(tx);
                return StatementLineView.Of(BankEntryStore.Get(tx.Connection, id), null, _ => "");
            }
        );
}
