using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Carries out what is changed on an account.</summary>
internal static class AccountRunner
{
    internal static AccountView Open(OpenAccountRequest request, Desk desk, HttpContext context)
    {
        var fields = new Fields();
        var name = fields.Text("name", request.Name, "the customer's name");
        var currency = string.IsNullOrWhiteSpace(request.Currency)
            ? null
            : fields.Currency("currency", request.Currency);
        var limit = fields.OptionalNumber("limit", request.Limit, 0, Bounds.Amount, "a limit such as 5000.00");
        if (!EmailAddresses.AreSound(request.Email ?? ""))
            fields.Bad("email", EmailAddresses.Wanted);
        fields.ThrowIfAny();
        return desk.Write(
            context,
            tx =>
            {
                var profile = AccountStore.ProfileOf(CompanyStore.Settings(tx.Connection).Defaults) with
                {
                    Identifiers =
                    [
                        .. (request.Identifiers ?? []).Select(i => new CustomerIdentifier(
                            i.Scheme?.Trim() ?? "",
                            TaxIdentifier.Plain(i.Number ?? "")
                        )),
                    ],
                };
                return AccountView.Of(
                    AccountStore.Open(
                        tx,
                        new(
                            name,
                            request.Code,
                            currency,
                            string.IsNullOrWhiteSpace(request.Terms) ? null : request.Terms,
                            limit,
                            request.LateChargePolicy,
                            request.ReminderPlan,
                            GroupName: request.Group ?? "",
                            Owner: request.Owner ?? "",
                            Email: request.Email ?? "",
                            Address: request.Address ?? "",
                            Profile: profile
                        )
                    ),
                    tx.BusinessDate()
                );
            }
        );
    }

    internal static CustomerView Change(string code, ChangeAccountRequest request, Desk desk, HttpContext context)
    {
        var version = context.Version();
        return desk.Write(
            context,
            tx =>
            {
                var fields = new Fields();
                var before = AccountStore.Get(tx.Connection, code);
                if (request.Customer is not { } customer)
                    throw new RefusedException("customer", "Give what is to be changed of the customer's record.");
                if (customer.Currency is { Length: > 0 } currency && currency != before.Currency.Code)
                    fields.Bad(
                        "currency",
                        $"The account is kept in {before.Currency.Code}; open another account for another currency."
                    );
                var wanted = customer.Onto(before, fields);
                fields.ThrowIfAny();
                var after = AccountStore.Change(tx, wanted with { Version = version }, request.Reason ?? "");
                return new CustomerView(CustomerShape.Of(after), after.Version);
            }
        );
    }

    internal static AccountRow ChangeState(string code, StateRequest request, Desk desk, HttpContext context) =>
        Decide(
            code,
            desk,
            context,
            (tx, account, fields) =>
            {
                var state = fields.Choice<AccountState>("state", request.State);
                var from = fields.Date("from", request.From);
                var reason = fields.Text("reason", request.Reason, "the reason, in a few words");
                fields.ThrowIfAny();
                LimitStore.ChangeState(tx, account, state, from, reason);
            }
        );

    /// <summary>Decides something about an account and tells where it stands.</summary>
    internal static AccountRow Decide(
        string code,
        Desk desk,
        HttpContext context,
        Action<Tx, Account, Fields> decide
    ) =>
        desk.Write(
            context,
            tx =>
            {
                var account = AccountStore.Get(tx.Connection, code);
                decide(tx, account, new Fields());
                var settings = CompanyStore.Settings(tx.Connection);
                return AccountRow.Of(Rules.Position(tx.Connection, account, tx.BusinessDate()), settings.Buckets());
            }
        );
}
