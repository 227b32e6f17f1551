using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>One account: its page, its settings, its limit and state.</summary>
internal static class AccountEndpoints
{
    internal static void MapAccounts(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts").WithTags("Accounts");
        accounts
            .MapPost("/", AccountRunner.Open)
            .By(Role.Controller)
            .WithName("openAccount")
            .WithSummary("Opens an account; what is left out comes from the company's defaults")
            .ProducesProblem(400);
        accounts
            .MapGet("/proposed-code", Propose)
            .By(Role.Viewer)
            .WithName("proposeCode")
            .WithSummary("The code a new account of this name would get, and accounts it may be a duplicate of");
        accounts
            .MapGet(
                "/{code}",
                (string code, string? asOf, Desk desk, HttpContext context) =>
                {
                    var day = Fields.Day("asOf", asOf, desk.Today());
                    return desk.Read(
                        code,
                        (connection, account) => AccountPageReader.Read(connection, account, desk, day, context.Who())
                    );
                }
            )
            .By(Role.Viewer)
            .WithName("getAccount")
            .WithSummary("Everything the account page shows on a day")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapGet(
                "/{code}/customer",
                (string code, Desk desk) =>
                    desk.Read(code, (_, account) => new CustomerView(CustomerShape.Of(account), account.Version))
            )
            .By(Role.Viewer)
            .WithName("getCustomer")
            .WithSummary("The customer's whole record")
            .ProducesProblem(404);
        accounts
            .MapPut("/{code}", AccountRunner.Change)
            .By(Role.Controller)
            .WithName("changeAccount")
            .WithSummary("Changes the customer's record, what is left out stays; needs If-Match")
            .ProducesProblem(400)
            .ProducesProblem(412);
        accounts
            .MapGet(
                "/{code}/settlement",
                (string code, string? on, Desk desk) =>
                {
                    var day = Fields.Day("on", on, desk.Today());
                    return desk.Read(
                        code,
                        (connection, account) => AccountPageReader.Settlement(connection, account, desk, day)
                    );
                }
            )
            .By(Role.Viewer)
            .WithName("getSettlement")
            .WithSummary("What the customer must pay on a day, with its workings")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapGet(
                "/{code}/exposure",
                (string code, string? asOf, Desk desk) =>
                {
                    var day = Fields.Day("asOf", asOf, desk.Today());
                    return desk.Read(
                        code,
                        (connection, account) =>
                        {
                            var settings = CompanyStore.Settings(connection);
                            var position = Rules.Position(connection, account, day);
                            return new WorkingsView(
                                "Exposure and headroom",
                                ExposureWorkings.Of(
                                    BookLoader.Documents(connection, account),
                                    position,
                                    settings.ExposureOn(day)
                                )
                            );
                        }
                    );
                }
            )
            .By(Role.Viewer)
            .WithName("getExposure")
            .WithSummary("How exposure and headroom come about")
            .ProducesProblem(404);
        accounts
            .MapGet(
                "/{code}/items/{id:long}/late-charge",
                (string code, long id, string? through, Desk desk) =>
                {
                    var day = Fields.Day("through", through, desk.Today());
                    return desk.Read(
                        code,
                        (connection, account) =>
                        {
                            var rules = desk.Rules(connection);
                            var ledger = desk.Ledgers.Of(connection, account);
                            var item =
                                ledger.Items.FirstOrDefault(i => i.Id == id)
                                ?? throw new NotThereException("item", $"{id}");
                            if (ledger.Policy is not { } policy)
                                return new WorkingsView(
                                    $"Late charge on {item.Document}",
                                    [new("Late charge", "the account has no late-charge policy", "—")]
                                );
                            var accrued = AccountCharges.On(ledger.Items, policy, day, day, rules);
                            if (accrued.LeftOut is { } why)
                                return new WorkingsView(
                                    $"{policy.Label} on {item.Document}",
                                    [new(policy.Label, why, "—")]
                                );
                            var at = accrued.Lines.Select(l => l.Item.Id).ToList().IndexOf(id);
                            var title = $"{policy.Label} on {item.Document} through {Exactly.Day(day)}";
                            var raised = item
                                .Raised.Where(r => r.Date <= day)
                                .Select(r => new Working(
                                    "Raised",
                                    $"on {Exactly.Day(r.Date)}, through {Exactly.Day(r.Through)}, without tax",
                                    $"{r.Amount}"
                                ));
                            if (at < 0)
                                return new WorkingsView(
                                    title,
                                    [
                                        .. raised,
                                        new(
                                            policy.Label,
                                            policy.Bears(item)
                                                ? "nothing has accrued that was not raised"
                                                : "the policy does not charge this item",
                                            "—"
                                        ),
                                    ]
                                );
                            var inCurrency = policy.In(
                                account.Currency,
                                day < rules.Today ? day : rules.Today,
                                rules.Rates
                            )!;
                            var (line, gross) = (
                                accrued.Lines[at],
                                LateChargeTax.Gross(ledger.ChargeTax, accrued.Lines, day, rules.Rounding)[at]
                            );
                            List<Working> workings =
                            [
                                .. raised,
                                .. ChargeWorkings.Of(inCurrency, line, rules.Rounding),
                            ];
                            if (gross != line.Total)
                                workings.Add(
                                    new(
                                        "With tax",
                                        $"{line.Total} + {gross - line.Total}, its part of the tax on the account's whole charge",
                                        $"{gross}"
                                    )
                                );
                            return new WorkingsView(title, workings);
                        }
                    );
                }
            )
            .By(Role.Viewer)
            .WithName("getItemCharge")
            .WithSummary("How an item's late charge comes about")
            .ProducesProblem(404);
        accounts
            .MapGet(
                "/{code}/ledger",
                (string code, Desk desk) =>
                    desk.Read(
                        code,
                        (connection, account) =>
                        {
                            long balance = 0;
                            return LedgerView
                                .OfAccount(connection, account)
                                .Select(r => LedgerRowView.Of(r, balance += r.Change))
                                .Reverse()
                                .ToList();
                        }
                    )
            )
            .By(Role.Viewer)
            .WithName("getLedger")
            .WithSummary("The account's postings, latest first")
            .ProducesProblem(404);
        accounts
            .MapGet(
                "/{code}/changes",
                (string code, Desk desk) =>
                    desk.Read(
                        code,
                        (connection, account) => AuditEntry.Of(Audit.Of(connection, $"account:{account.Code}"))
                    )
            )
            .By(Role.Viewer)
            .WithName("getAccountChanges")
            .WithSummary("What was changed on the account, by whom and why")
            .ProducesProblem(404);
        accounts
            .MapPost("/{code}/state", AccountRunner.ChangeState)
            .By(Role.Controller)
            .WithName("changeState")
            .WithSummary("Sets the account to open, watch or stop")
            .ProducesProblem(400);
    }

    internal sealed record ProposedCode(string Code, IReadOnlyList<LikelyDuplicate> Similar);

    private static ProposedCode Propose(string? name, string? email, string? identifier, Desk desk)
    {
        var accounts = desk.Snapshots.Current.Accounts;
        var typed = name?.Trim() ?? "";
        var taken = accounts.Select(a => a.Code).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var words = NameLikeness.Words(typed);
        var alike =
            typed.Length < 3
                ? []
                : accounts
                    .Where(a =>
                        a.Name.StartsWith(typed, StringComparison.OrdinalIgnoreCase)
                        || NameLikeness.Alike(words, NameLikeness.Words(a.Name))
                    )
                    .Take(3)
                    .Select(a => new LikelyDuplicate(a.Code, a.Name, "a name that is alike"))
                    .ToList();
        var same = desk.Books.Read(c => DuplicateFinder.Find(c, email ?? "", identifier ?? ""));
        return new(
            typed.Length == 0 ? "" : AccountCode.Propose(typed, taken.Contains),
            [.. same.Concat(alike).DistinctBy(d => d.Code)]
        );
    }
}
