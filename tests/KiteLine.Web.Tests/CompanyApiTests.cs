using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

public sealed class CompanyApiTests : IDisposable
{
    private readonly TestApp _app = new();

    public void Dispose() => _app.Dispose();

    private async Task<(int Status, JsonElement Body)> Change(object body, string? version = null)
    {
        version ??= (await _app.Get("/api/company")).GetProperty("version").ToString();
        return await _app.Send(HttpMethod.Put, "/api/company", body, ("If-Match", $"\"{version}\""));
    }

    private static string[] Fields(JsonElement problem) =>
        [.. problem.GetProperty("errors").EnumerateObject().Select(e => e.Name)];

    [Fact]
    public async Task E_mails_are_written_in_the_customers_language_where_the_company_has_a_text_for_it()
    {
        var defaults = new { name = "Saltmarsh", defaultTerms = "n/30" };
        object Texts(params object[] texts) =>
            new
            {
                defaults.name,
                defaults.defaultTerms,
                messageTexts = texts,
            };
        object Text(string language, string subject, string body = "x") =>
            new
            {
                purpose = "invoice",
                language,
                subject,
                body,
            };
        Fields(
                (
                    await Change(Texts(Text("de", "{{ amont }}"), Text("", ""), Text("de", "a"), Text("german", "b")))
                ).Body
            )
            .ShouldBe(
                [
                    "messageTexts[0].subject",
                    "messageTexts[1].subject",
                    "messageTexts[2].language",
                    "messageTexts[3].language",
                ],
                ignoreOrder: true
            );
        var (status, changed) = await Change(
            Texts(
                Text("de", "Rechnung {{ number }}"),
                Text("", "Our invoice {{ number }}", "{{ amount }} by {{ due }}")
            )
        );
        status.ShouldBe(200, $"{changed}");
        async Task<string> Subject(string name, string language)
        {
            _app.Books.Write(
                "tests",
                tx =>
                {
                    var account = AccountStore.Open(tx, new(name, Limit: 900, Email: "a@b.example"));
                    return AccountStore.Change(
                        tx,
                        account with
                        {
                            Profile = account.Profile with { Language = language, Delivery = Delivery.Email },
                        },
                        "tests"
                    );
                }
            );
            var code = $"{name[..3].ToUpperInvariant()}01";
            await _app.Post(
                $"/api/accounts/{code}/invoices",
                new
                {
                    number = $"V-{name}",
                    net = "10",
                    tax = "0",
                }
            );
            var document = (await _app.Get($"/api/accounts/{code}/documents"))
                .GetProperty("items")[0]
                .GetProperty("id")
                .GetInt64();
            var (_, draft) = await _app.Post("/api/outbox?preview=true", new { document });
            return draft.GetProperty("subject").GetString()!;
        }

        (await Subject("Adler", "de")).ShouldBe("Rechnung V-Adler");
        (await Subject("Brook", "fr")).ShouldBe("Our invoice V-Brook");
        (await Change(Texts())).Status.ShouldBe(200);
        (await Subject("Crane", "de")).ShouldBe("Invoice V-Crane from Saltmarsh");
    }

    [Fact]
    public async Task Settings_are_stored_and_used_at_once()
    {
        await _app.Post("/api/accounts", new { name = "Before" });
        var (status, changed) = await Change(
            new
            {
                name = "Saltmarsh",
                defaultTerms = "2/10 n/30",
                defaultLimit = "2500.00",
                ageingUpTo = new[] { 15, 45 },
                allowanceAmount = "3.00",
                allowancePercent = "2",
            }
        );
        status.ShouldBe(200, changed.ToString());
        changed.GetProperty("defaultTerms").GetString().ShouldBe("2/10 n/30");
        await _app.Post("/api/accounts", new { name = "After" });
        var board = await _app.Get("/api/accounts");
        board
            .GetProperty("buckets")
            .EnumerateArray()
            .Select(b => b.GetString())
            .ShouldBe(["notDue", "1-15", "16-45", "over45"]);
        board
            .GetProperty("items")
            .EnumerateArray()
            .Select(r => $"{r.GetProperty("code")} {r.GetProperty("limit")}")
            .ShouldBe(["AFT01 2500.00", "BEF01 1000.00"]);
        (await _app.Get("/api/accounts/BEF01"))
            .GetProperty("account")
            .GetProperty("terms")
            .GetString()
            .ShouldBe("n/30");
    }

    [Fact]
    public async Task Settings_that_make_no_sense_name_each_field()
    {
        var (status, problem) = await Change(
            new
            {
                name = " ",
                defaultTerms = "",
                defaultLimit = "-1",
                ageingUpTo = new[] { 30, 10 },
                allowancePercent = "101",
                closedThrough = "soon",
                rounding = "up",
                defaultLateChargePolicy = "NOPE",
                postingAccounts = new Dictionary<string, string> { ["bank"] = "" },
            }
        );
        status.ShouldBe(400);
        Fields(problem)
            .ShouldBe(
                [
                    "name",
                    "defaultTerms",
                    "defaultLimit",
                    "ageingUpTo",
                    "allowancePercent",
                    "closedThrough",
                    "rounding",
                    "defaultLateChargePolicy",
                    "postingAccounts.bank",
                ],
                ignoreOrder: true
            );
    }

    [Fact]
    public async Task Default_terms_that_cannot_be_read_or_make_no_sense_are_refused()
    {
        Fields((await Change(new { name = "S", defaultTerms = "whenever" })).Body).ShouldBe(["defaultTerms"]);
        Fields((await Change(new { name = "S", defaultTerms = "2/40 n/30" })).Body).ShouldBe(["defaultTerms"]);
    }

    [Fact]
    public async Task The_second_of_two_who_change_the_settings_is_told()
    {
        var version = (await _app.Get("/api/company")).GetProperty("version").ToString();
        (await Change(new { name = "First", defaultTerms = "n/30" }, version)).Status.ShouldBe(200);
        (await Change(new { name = "Second", defaultTerms = "n/30" }, version)).Status.ShouldBe(412);
        (await _app.Get("/api/company")).GetProperty("name").GetString().ShouldBe("First");
    }

    [Fact]
    public async Task A_date_that_follows_the_calendar_is_not_set_by_hand()
    {
        (await _app.Refused("/api/company/business-date", new { date = "2030-01-01" })).ShouldBe(["date"]);
        _app.Books.Write(
            "test",
            tx =>
            {
                var company = CompanyStore.Get(tx.Connection);
                return CompanyStore.Change(
                    tx,
                    company.Settings with
                    {
                        PinnedBusinessDate = new(2026, 3, 16),
                    },
                    company.Version
                );
            }
        );
        var (status, moved) = await _app.Post("/api/company/business-date", new { date = "2026-03-20" });
        (status, moved.GetProperty("businessDate").GetString()).ShouldBe((200, "2026-03-20"));
        (await _app.Get("/api/accounts")).GetProperty("asOf").GetString().ShouldBe("2026-03-20");
    }

    [Fact]
    public async Task Every_address_has_a_name_a_summary_and_an_answer_in_the_description()
    {
        var description = await _app.Get("/openapi/v1.json");
        var names = new List<string>();
        foreach (var path in description.GetProperty("paths").EnumerateObject())
        {
            foreach (var method in path.Value.EnumerateObject())
            {
                names.Add(method.Value.GetProperty("operationId").GetString()!);
                method.Value.GetProperty("summary").GetString().ShouldNotBeNullOrWhiteSpace(path.Name);
                method.Value.GetProperty("responses").TryGetProperty("200", out _).ShouldBeTrue(path.Name);
            }
        }

        names.Count.ShouldBeGreaterThan(35);
        names.Distinct().Count().ShouldBe(names.Count);
        foreach (
            var contracted in new[]
            {
                "/api/accounts",
                "/api/accounts/{code}/settlement",
                "/api/calc/day-count",
                "/api/calc/terms",
                "/api/calc/schedule",
                "/api/calc/late-charge",
                "/api/calc/receipt",
            }
        )
            description.GetProperty("paths").TryGetProperty(contracted, out _).ShouldBeTrue(contracted);
    }

    [Fact]
    public async Task Many_controllers_at_once_keep_the_books_sound()
    {
        await _app.Post("/api/accounts", new { name = "Pellworm", limit = "100000" });
        _app.Books.Write(
            "test",
            tx =>
            {
                var account = AccountStore.Get(tx.Connection, "PEL01");
                for (var i = 0; i < 20; i++)
                    PostingStore.Post(
                        tx,
                        account,
                        InvoicePosting.Invoice(
                            null,
                            new(2026, 1, 1),
                            new InvoiceAmounts(
                                Money.Exact(100, account.Currency),
                                Money.Zero(account.Currency),
                                Money.Zero(account.Currency)
                            ),
                            Shorthand.Read("n/30"),
                            Rules.Of(tx.Connection, new(2026, 1, 1))
                        )
                    );
                return 0;
            }
        );
        var items = (await _app.Get("/api/accounts/PEL01"))
            .GetProperty("items")
            .EnumerateArray()
            .Select(i => i.GetProperty("id").GetInt64())
            .ToArray();
        items.Length.ShouldBe(20);
        // Each item is paid by two people at the same moment, under keys of their own; one of each pair is refused.
        var outcomes = await Task.WhenAll(
            items
                .Concat(items)
                .Select(
                    (id, n) =>
                        _app.Post(
                            "/api/accounts/PEL01/receipts",
                            new
                            {
                                valueDate = "2026-02-01",
                                cash = "100.00",
                                items = new[] { new { id } },
                            },
                            ("Idempotency-Key", $"k{n}")
                        )
                )
        );
        outcomes.Count(o => o.Status == 200).ShouldBe(20);
        outcomes.Where(o => o.Status != 200).ShouldAllBe(o => o.Status == 400 && o.Body.ToString().Contains("closed"));
        (await _app.Get("/api/accounts")).GetProperty("items")[0].GetProperty("exposure").GetString().ShouldBe("0.00");
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task Receipts_and_their_journals_are_listed_over_all_accounts()
    {
        await _app.Post("/api/accounts", new { name = "Pellworm" });
        for (var i = 1; i <= 3; i++)
            (
                await _app.Post("/api/accounts/PEL01/receipts", new { valueDate = "2026-02-01", cash = $"{i}0.00" })
            ).Status.ShouldBe(200);
        var page = await _app.Get("/api/postings?kind=receipt&page=2&pageSize=2");
        page.GetProperty("total").GetInt32().ShouldBe(3);
        var row = page.GetProperty("items").EnumerateArray().ShouldHaveSingleItem();
        (
            row.GetProperty("number").GetString(),
            row.GetProperty("change").GetString(),
            row.GetProperty("accountName").GetString()
        ).ShouldBe(("RCT-00001", "-10.00", "Pellworm"));
        var journal = await _app.Get($"/api/postings/{row.GetProperty("entryId")}/journal");
        string.Join(
                ' ',
                journal
                    .EnumerateArray()
                    .Select(l => $"{l.GetProperty("account")}:{l.GetProperty("debit")}:{l.GetProperty("credit")}")
            )
            .ShouldBe("1200:10.00: 1150::10.00");
        (await _app.Client.GetAsync(new Uri("/api/postings/999/journal", UriKind.Relative))).StatusCode.ShouldBe(
            System.Net.HttpStatusCode.NotFound
        );
        (await _app.Client.GetAsync(new Uri("/api/postings?kind=gift&page=0", UriKind.Relative))).StatusCode.ShouldBe(
            System.Net.HttpStatusCode.BadRequest
        );
    }

    [Fact]
    public async Task Lists_of_the_company_are_stored_and_guarded_by_their_use()
    {
        var lists = new
        {
            name = "Saltmarsh",
            defaultTerms = "n/30",
            timeZone = "Europe/Berlin",
            letterFoot = new[] { "Pay to the bank", " " },
            paymentMethods = new[]
            {
                new
                {
                    code = "CARD",
                    name = "Card",
                    clearingDays = 2,
                    account = "1220",
                    iban = "gb29 nwbk 6016 1331 9268 19",
                },
            },
            controlGroups = new[]
            {
                new
                {
                    code = "HOME",
                    name = "Home",
                    account = "1101",
                },
            },
            customerFields = new[]
            {
                new
                {
                    key = "region",
                    name = "Region",
                    kind = "choice",
                    choices = new[] { "North", "South " },
                },
            },
            numbering = new
            {
                invoice = new
                {
                    prefix = "A-",
                    digits = 4,
                    next = 40,
                },
            },
            defaultResponses = new { overLimit = "ask", overdueDays = 10 },
        };
        var (status, stored) = await Change(lists);
        status.ShouldBe(200, stored.ToString());
        stored.GetProperty("paymentMethods")[0].GetProperty("iban").GetString().ShouldBe("GB29NWBK60161331926819");
        stored.GetProperty("numbering").GetProperty("invoice").ToString().ShouldContain("40");
        stored.GetProperty("letterFoot").GetArrayLength().ShouldBe(1);
        (await _app.Post("/api/accounts", new { name = "Oxbow" })).Status.ShouldBe(200);
        (await _app.Get("/api/accounts/OXB01/customer"))
            .GetProperty("customer")
            .GetProperty("responses")
            .GetProperty("overLimit")
            .GetString()
            .ShouldBe("ask");
        var used = new
        {
            customer = new
            {
                paymentMethod = "CARD",
                controlGroup = "HOME",
                fields = new { region = "South" },
            },
        };
        (await _app.Send(HttpMethod.Put, "/api/accounts/OXB01", used, ("If-Match", "1"))).Status.ShouldBe(200);
        Fields(
                (
                    await Change(
                        new
                        {
                            name = "S",
                            defaultTerms = "n/30",
                            paymentMethods = Array.Empty<object>(),
                            controlGroups = Array.Empty<object>(),
                            customerFields = Array.Empty<object>(),
                        }
                    )
                ).Body
            )
            .ShouldBe(["paymentMethods", "controlGroups", "customerFields"]);
        var told = (await _app.Get("/api/company/changes"))
            .EnumerateArray()
            .Select(c =>
                $"{c.GetProperty("action").GetString()}: "
                + $"{string.Join(", ", c.GetProperty("changes").EnumerateArray().Select(x => x.GetProperty("what").GetString()))}"
            )
            .ToList();
        told[0].ShouldBe("numbering: next");
        told[1].ShouldStartWith("changed: name");
        told[1].ShouldContain("payment methods 1, iban");
    }

    [Fact]
    public async Task Settings_in_lists_name_the_entry_that_is_wrong()
    {
        var (_, problem) = await Change(
            new
            {
                name = "S",
                defaultTerms = "n/30",
                timeZone = "Moon/Base",
                baseCurrency = "XXX",
                paymentMethods = new object[]
                {
                    new
                    {
                        code = "",
                        name = "Card",
                        clearingDays = 100,
                        iban = "GB00",
                    },
                },
                controlGroups = new[]
                {
                    new
                    {
                        code = "A",
                        name = "",
                        account = "",
                    },
                },
                customerFields = new[]
                {
                    new
                    {
                        key = "a b",
                        name = "A",
                        kind = "colour",
                    },
                },
                numbering = new { invoice = new { prefix = "RCT-", digits = 20 } },
                defaultTaxCode = "NONE",
                defaultResponses = new { overLimit = "shrug" },
            }
        );
        Fields(problem)
            .ShouldBe(
                [
                    "timeZone",
                    "baseCurrency",
                    "paymentMethods[0].code",
                    "paymentMethods[0].clearingDays",
                    "paymentMethods[0].iban",
                    "controlGroups[0].name",
                    "controlGroups[0].account",
                    "customerFields[0].key",
                    "customerFields[0].kind",
                    "numbering.invoice.digits",
                    "numbering.receipt.prefix",
                    "defaultTaxCode",
                    "defaultResponses.overLimit",
                ],
                ignoreOrder: true
            );
    }

    [Fact]
    public async Task The_base_currency_is_fixed_by_the_first_posting()
    {
        var changed = (
            await Change(
                new
                {
                    name = "S",
                    defaultTerms = "n/30",
                    baseCurrency = "EUR",
                    defaultCurrency = "GBP",
                }
            )
        ).Body;
        (changed.GetProperty("baseCurrency").GetString(), changed.GetProperty("defaultCurrency").GetString()).ShouldBe(
            ("EUR", "EUR")
        );
        await _app.Post("/api/accounts", new { name = "Oxbow" });
        (
            await _app.Post(
                "/api/accounts/OXB01/opening-items",
                new
                {
                    document = "1",
                    date = "2026-01-10",
                    amount = "5.00",
                }
            )
        ).Status.ShouldBe(200);
        Fields(
                (
                    await Change(
                        new
                        {
                            name = "S",
                            defaultTerms = "n/30",
                            baseCurrency = "USD",
                        }
                    )
                ).Body
            )
            .ShouldBe(["baseCurrency"]);
    }

    [Fact]
    public async Task Setting_up_is_told_step_by_step()
    {
        async Task<string> Done() =>
            string.Concat(
                (await _app.Get("/api/company/setting-up"))
                    .EnumerateArray()
                    .Select(s => s.GetProperty("done").GetBoolean() ? 'x' : '-')
            );
        (await Done()).ShouldBe("--------");
        await Change(new { name = "Saltmarsh", defaultTerms = "n/30" });
        await _app.Post("/api/policies/terms", new { text = "n/45" });
        await _app.Post("/api/accounts", new { name = "Oxbow" });
        (await Done()).ShouldBe("xx----x-");
        (await _app.Post("/api/company/setting-up/end", new { })).Status.ShouldBe(200);
        (await Done()).ShouldBe("xx----xx");
    }
}
