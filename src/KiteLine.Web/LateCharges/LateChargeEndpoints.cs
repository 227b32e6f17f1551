using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Late charges that are raised on an account; with <c>preview=true</c> shown and not stored.</summary>
internal static class LateChargeEndpoints
{
    internal static void MapLateCharges(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Late charges");
        accounts
            .MapPost("/late-charges", RaiseCharge)
            .By(Role.Controller)
            .WithName("raiseLateCharge")
            .WithSummary("Raises the late charge through a day")
            .ProducesProblem(400);
        api.MapGet(
                "/late-charges/{entry:long}/pdf",
                (long entry, Desk desk) =>
                    Results.File(
                        ChargePdf.Render(desk.Books.Read(c => ChargePrinter.Of(c, entry, desk))),
                        "application/pdf"
                    )
            )
            .WithTags("Late charges")
            .By(Role.Viewer)
            .Heavy()
            .WithName("printLateCharge")
            .WithSummary("A charge document as PDF")
            .Produces<byte[]>(200, "application/pdf")
            .ProducesProblem(404);
    }

    private static EffectView RaiseCharge(
        string code,
        bool? preview,
        RaiseChargeRequest request,
        Desk desk,
        HttpContext context
    )
    {
        var fields = new Fields();
        var through = fields.OptionalDate("through", request.Through);
        fields.ThrowIfAny();
        return PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) => desk.LateCharges.Preview(c, code, through ?? rules.Today, request.LeaveOut, rules),
            tx => desk.LateCharges.Raise(tx, code, through ?? tx.BusinessDate(), request.LeaveOut),
            (effect, view) =>
                view with
                {
                    Total = effect.Detail.Gross,
                    Tax = effect.Detail.Tax,
                    Charges =
                    [
                        .. effect.Detail.Lines.Select(c => new ChargeLineView(
                            c.Item.Id,
                            c.Item.Document,
                            c.Item.Due,
                            c.Total,
                            c.Segments.GroupBy(s => s.From).Sum(g => g.First().Days),
                            [.. c.Segments.Select(s => SegmentLine.Of(s, c.Total.Currency))],
                            c.Correction,
                            c.CutOff
                        )),
                    ],
                }
        );
    }
}
