using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Money paid back: refunds, and the files by which the bank is asked to pay them.</summary>
internal static class RefundEndpoints
{
    internal static void MapRefunds(this RouteGroupBuilder api)
    {
        api.MapPost("/accounts/{code}/refunds", Post)
            .WithTags("Cash")
            .By(Role.Controller)
            .WithName("refund")
            .WithSummary("Pays credits of an account back; the bank is asked for it by a payment file")
            .ProducesProblem(400)
            .ProducesProblem(404);
        api.MapGet("/refunds", List)
            .WithTags("Cash")
            .By(Role.Viewer)
            .WithName("listRefunds")
            .WithSummary("Refunds and how far each is, the latest first")
            .ProducesProblem(400);
        var files = api.MapGroup("/payment-files").WithTags("Cash");
        files
            .MapGet("/", Files)
            .By(Role.Viewer)
            .WithName("listPaymentFiles")
            .WithSummary("Files by which the bank was asked to pay refunds, the latest first")
            .ProducesProblem(400);
        files
            .MapPost("/", Order)
            .By(Role.Controller)
            .WithName("orderRefunds")
            .WithSummary("Puts every refund that waits in the currency of a bank account into one payment file")
            .ProducesProblem(400);
        files
            .MapGet("/{id:long}/file", File)
            .By(Role.Viewer)
            .Heavy()
            .WithName("getPaymentFile")
            .WithSummary("The payment file for the bank, ISO 20022 pain.001; the same whenever it is read")
            .Produces<byte[]>(200, "application/xml")
            .ProducesProblem(404);
    }

    private static EffectView Post(
        string code,
        bool? preview,
        RefundRequestShape request,
        Desk desk,
        HttpContext context
    ) =>
        PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) => desk.Refunds.Preview(c, code, a => Read(request, a), context.Who().Authority, rules),
            tx => desk.Refunds.Post(tx, code, a => Read(request, a))
        );

    private static RefundRequest Read(RefundRequestShape request, Account account)
    {
        var fields = new Fields();
        var amount = fields.Money("amount", request.Amount, account.Currency);
        fields.ThrowIfAny();
        return new(
            request.Credits ?? [],
            amount,
            request.BankAccount ?? "",
            string.IsNullOrWhiteSpace(request.Holder) ? account.Name : request.Holder,
            request.Reference ?? "",
            request.Reason ?? ""
        );
    }

    private static RefundPage List(int? page, int? pageSize, Desk desk)
    {
        var fields = new Fields();
        var (at, size) = fields.Page(page, pageSize, 50, 1000);
        fields.ThrowIfAny();
        return desk.Books.Read(c => new RefundPage(
            RefundDesk.Count(c),
            [.. RefundDesk.List(c, (at - 1) * size, size).Select(RefundView.Of)]
        ));
    }

    private static PaymentFilePage Files(int? page, int? pageSize, Desk desk)
    {
        var fields = new Fields();
        var (at, size) = fields.Page(page, pageSize, 50, 1000);
        fields.ThrowIfAny();
        return desk.Books.Read(c => new PaymentFilePage(
            RefundDesk.CountFiles(c),
            [.. RefundDesk.PaymentFiles(c, (at - 1) * size, size).Select(PaymentFileView.Of)]
        ));
    }

    private static PaymentFileView Order(PaymentFileRequest request, Desk desk, HttpContext context)
    {
        var fields = new Fields();
        var account = fields.Text("account", request.Account, "the company's bank account that pays");
        var on = fields.OptionalDate("executeOn", request.ExecuteOn);
        fields.ThrowIfAny();
        return desk.Write(context, tx => PaymentFileView.Of(RefundDesk.Order(tx, account, on)));
    }

    private static IResult File(long id, Desk desk)
    {
        var order = desk.Books.Read(c => RefundDesk.OrderOf(c, id));
        return Results.File(Pain001.Write(order), "application/xml", $"{order.MessageId}.xml");
    }
}
