using System.Text.Json;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

public sealed class PolicyApiTests : IDisposable
{
    private readonly TestApp _app = new();

    public void Dispose() => _app.Dispose();

    private static string[] Texts(JsonElement array) => [.. array.EnumerateArray().Select(e => e.ToString())];

    [Fact]
    public async Task Shorthand_and_rows_are_two_views_of_the_same_terms()
    {
        foreach (
            var text in new[]
            {
                "2/10 n/30",
                "3/7, 1/14 n/45",
                "n/30 EOM",
                "15 prox cut-off 20 +2m",
                "20.00 off/10, 40% now, 100.00 1m+5, rest 20",
                "COD",
            }
        )
        {
            var (_, read) = await _app.Post("/api/calc/terms", new { text });
            var (status, written) = await _app.Post(
                "/api/calc/terms",
                new
                {
                    terms = new
                    {
                        instalments = read.GetProperty("instalments"),
                        discounts = read.GetProperty("discounts"),
                    },
                }
            );
            status.ShouldBe(200, written.ToString());
            // Whether payment is at delivery is no due rule, so rows alone cannot tell it from paying at once.
            written.GetProperty("text").GetString().ShouldBe(text == "COD" ? "n/0" : text);
        }

        (
            await _app.Refused(
                "/api/calc/terms",
                new
                {
                    terms = new
                    {
                        instalments = new[] { new { percent = "110", due = new { anchor = "invoiceDate" } } },
                    },
                }
            )
        ).ShouldNotBeEmpty();
    }

    [Fact]
    public async Task Terms_keep_their_conditions_and_text_and_show_their_users_and_history()
    {
        var (status, made) = await _app.Post(
            "/api/policies/terms",
            new
            {
                code = "TRADE",
                name = "Trade",
                text = "2/10 n/90",
                conditions = new
                {
                    @base = "net",
                    graceDays = 2,
                    businessDays = "next",
                    partPayments = true,
                    creditNotesFollow = false,
                },
                printed = "{{ total }} by {{ due }}",
            }
        );
        status.ShouldBe(200, made.ToString());
        made.GetProperty("conditions")
            .ToString()
            .ShouldBe(
                """{"base":"net","graceDays":2,"businessDays":"next","partPayments":true,"creditNotesFollow":false}"""
            );
        Texts(made.GetProperty("warnings")).ShouldHaveSingleItem().ShouldContain("90 days");
        await _app.Post("/api/accounts", new { name = "Pellworm", terms = "TRADE" });
        (
            await _app.Send(
                HttpMethod.Put,
                "/api/policies/terms/TRADE",
                new
                {
                    text = "2/10 n/60",
                    name = "Trade",
                    reason = "shorter",
                },
                ("If-Match", "\"1\"")
            )
        ).Status.ShouldBe(200);
        (await _app.Get("/api/policies/terms/users?code=TRADE"))
            .GetProperty("first")[0]
            .GetProperty("code")
            .GetString()
            .ShouldBe("PEL01");
        var history = await _app.Get("/api/policies/terms/history?code=TRADE");
        history.GetArrayLength().ShouldBe(2);
        history[0].GetProperty("reason").GetString().ShouldBe("shorter");
        history[0]
            .GetProperty("changes")
            .EnumerateArray()
            .Select(c => $"{c.GetProperty("what")}: {c.GetProperty("before")} > {c.GetProperty("after")}")
            .ShouldContain("text: 2/10 n/90 > 2/10 n/60");
    }

    [Theory]
    [InlineData("terms", """{"code":"X","text":"2/10 n/30","conditions":{"graceDays":99}}""", "conditions.graceDays")]
    [InlineData("terms", """{"code":"X","text":"2/10 n/30","printed":"{{ nothing }}"}""", "printed")]
    [InlineData("terms", """{"code":"X","text":"2/10 n/30","conditions":{"base":"both"}}""", "conditions.base")]
    [InlineData("calendars", """{"code":"X","holidays":[{"date":"2026-13-01","name":"A"}]}""", "holidays[0].date")]
    [InlineData("calendars", """{"code":"X","holidays":[{"date":"2026-01-01","name":""}]}""", "holidays[0].name")]
    [InlineData("calendars", """{"holidays":[]}""", "code")]
    [InlineData("calendars/from-file", """{"text":"no calendar","from":"2026-01-01","to":"2026-12-31"}""", "file")]
    [InlineData("calendars/from-file", """{"text":"","from":"2026-12-31","to":"2026-01-01"}""", "to,text")]
    [InlineData(
        "tax-codes",
        """{"code":"X","rates":[{"from":"2020-01-01","percent":"20","components":[{"authority":"A","percent":"19"}]}]}""",
        "rates[0].percent"
    )]
    [InlineData("tax-codes", """{"code":"X","rates":[]}""", "rates")]
    [InlineData(
        "tax-codes/try-out",
        """
            {"taxCode":{"rates":[{"from":"2020-01-01","percent":"20","components":[{"authority":"A","percent":"20"}]}]},
            "currency":"GBP","goods":"10.00","on":"2019-01-01"}
            """,
        "on"
    )]
    public async Task What_is_wrong_is_named(string path, string body, string fields) =>
        string.Join(',', await _app.Refused($"/api/policies/{path}", body)).ShouldBe(fields);

    [Fact]
    public async Task A_calendar_moves_the_dates_of_what_is_tried_out_and_of_what_comes_in()
    {
        (
            await _app.Post(
                "/api/policies/calendars",
                new
                {
                    code = "YARD",
                    name = "Yard",
                    holidays = new[] { new { date = "2026-04-15", name = "Stocktaking" } },
                }
            )
        ).Status.ShouldBe(200);
        var company = await _app.Get("/api/company");
        var (status, problem) = await _app.Send(
            HttpMethod.Put,
            "/api/company",
            new
            {
                name = "S",
                defaultTerms = "n/30",
                calendar = "NOPE",
            },
            ("If-Match", $"\"{company.GetProperty("version")}\"")
        );
        (status, problem.GetProperty("errors").EnumerateObject().Single().Name).ShouldBe((400, "calendar"));
        (
            await _app.Send(
                HttpMethod.Put,
                "/api/company",
                new
                {
                    name = "S",
                    defaultTerms = "n/30",
                    calendar = "YARD",
                },
                ("If-Match", $"\"{company.GetProperty("version")}\"")
            )
        ).Status.ShouldBe(200);

        var (_, tried) = await _app.Post(
            "/api/calc/schedule",
            new
            {
                invoiceDate = "2026-03-16",
                currency = "GBP",
                net = "100.00",
                terms = "n/30",
                conditions = new { businessDays = "next" },
            }
        );
        tried.GetProperty("instalments")[0].GetProperty("due").GetString().ShouldBe("2026-04-16");
        tried.GetProperty("holidays")[0].GetProperty("name").GetString().ShouldBe("Stocktaking");

        await _app.Post(
            "/api/policies/terms",
            new
            {
                code = "NEXT",
                text = "n/30",
                conditions = new { businessDays = "next" },
            }
        );
        await _app.Post("/api/accounts", new { name = "Pellworm", terms = "NEXT" });
        var folder = Directory.CreateTempSubdirectory("kiteline-calendar");
        File.WriteAllText(
            Path.Combine(folder.FullName, "open-items.csv"),
            "account,document,type,date,amount\nPEL01,I-1,invoice,2026-03-16,120\n"
        );
        new ImportCommand(TextWriter.Null, TextWriter.Null).Run(folder.FullName, _app.Books, false, false).ShouldBe(0);
        folder.Delete(recursive: true);
        (await _app.Get("/api/accounts/PEL01"))
            .GetProperty("items")[0]
            .GetProperty("due")
            .GetString()
            .ShouldBe("2026-04-16");
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task A_calendar_file_is_read_and_nothing_is_stored()
    {
        var text =
            "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//t//EN\r\nBEGIN:VEVENT\r\nUID:1\r\n"
            + "DTSTART;VALUE=DATE:20260504\r\nSUMMARY:Spring day\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        var (_, days) = await _app.Post(
            "/api/policies/calendars/from-file",
            new
            {
                text,
                from = "2026-01-01",
                to = "2026-12-31",
            }
        );
        days.ToString().ShouldBe("""[{"date":"2026-05-04","name":"Spring day"}]""");
        (await _app.Get("/api/policies/calendars")).GetArrayLength().ShouldBe(0);
    }

    [Fact]
    public async Task A_tax_code_is_tried_out_by_authority_and_stored_in_versions()
    {
        var rates = new[]
        {
            new
            {
                from = "2020-01-01",
                percent = "7.5",
                components = new[]
                {
                    new { authority = "Council", percent = "5" },
                    new { authority = "Harbour", percent = "2.5" },
                },
            },
        };
        var (_, tried) = await _app.Post(
            "/api/policies/tax-codes/try-out",
            new
            {
                taxCode = new { rates, freightTaxed = false },
                currency = "GBP",
                goods = "1000.00",
                freight = "18.00",
                on = "2026-03-16",
            }
        );
        tried
            .ToString()
            .ShouldBe(
                """
                {"taxed":"1000.00","tax":"75.00","gross":"1093.00","percent":"7.5","parts":[{"authority":"Council",
                "percent":"5","amount":"50.00"},{"authority":"Harbour","percent":"2.5","amount":"25.00"}]}
                """.ReplaceLineEndings("")
            );
        (await _app.Post("/api/policies/tax-codes", new { code = "ISLES", rates }))
            .Body.GetProperty("version")
            .GetInt32()
            .ShouldBe(1);
        (
            await _app.Send(
                HttpMethod.Put,
                "/api/policies/tax-codes/ISLES",
                new { name = "Isles", rates },
                ("If-Match", "\"1\"")
            )
        )
            .Body.GetProperty("version")
            .GetInt32()
            .ShouldBe(2);
        (
            await _app.Send(
                HttpMethod.Put,
                "/api/policies/tax-codes/ISLES",
                new { name = "Isles", rates },
                ("If-Match", "\"1\"")
            )
        ).Status.ShouldBe(412);
    }

    [Fact]
    public async Task Statutory_interest_starts_from_a_template_and_names_what_it_lacks()
    {
        var templates = await _app.Get("/api/policies/late-charge-templates");
        templates.GetArrayLength().ShouldBe(2);
        foreach (var template in templates.EnumerateArray())
        {
            var body = new
            {
                code = "LAW",
                name = "Law",
                policy = template.GetProperty("policy"),
            };
            (await _app.Refused("/api/policies/late-charges", body)).ShouldBe(["policy.reference.code"]);
        }

        (
            await _app.Post(
                "/api/policies/reference-rates",
                new { code = "REFERENCE", rates = new[] { new { from = "2025-01-01", annualRate = "4" } } }
            )
        ).Status.ShouldBe(200);
        var uk = templates[1].GetProperty("policy");
        (
            await _app.Post(
                "/api/policies/late-charges",
                new
                {
                    code = "LAW",
                    name = "Law",
                    policy = uk,
                }
            )
        ).Status.ShouldBe(200);
        var sample = new
        {
            currency = "GBP",
            amount = "1000.00",
            dueDate = "2026-01-31",
            through = "2026-03-16",
            policy = uk,
        };
        var (status, tried) = await _app.Post("/api/policies/late-charges/try-out", sample);
        status.ShouldBe(200, tried.ToString());
        $"{tried.GetProperty("interest")} {tried.GetProperty("compensation")} {tried.GetProperty("total")}".ShouldBe(
            "14.47 70.00 84.47"
        );
        var days = tried
            .GetProperty("days")
            .EnumerateArray()
            .Select(d => $"{d.GetProperty("date")} {d.GetProperty("total")}")
            .ToArray();
        (days[0], days[1], days[^1]).ShouldBe(("2026-01-31 0.00", "2026-02-01 70.33", "2026-03-16 84.47"));
        tried
            .GetProperty("workings")[0]
            .GetProperty("formula")
            .GetString()
            .ShouldBe("REFERENCE of 31 Dec 2025, 4 % + 8 %");
        (await _app.Refused("/api/calc/late-charge", sample)).ShouldBe(["policy.reference"]);
    }

    [Theory]
    [InlineData(
        """
            {"dayCount":"act/365f","rates":[{"from":"2020-01-01","annualRate":"12"}],"ceiling":{"rate":"10",
            "source":"the Sample Act"}}
            """,
        "policy.rates[0].annualRate"
    )]
    [InlineData(
        """{"dayCount":"act/365f","rates":[{"from":"2020-01-01","annualRate":"12"}],"ceiling":{"rate":"15","source":""}}""",
        "policy.ceiling.source"
    )]
    [InlineData("""{"method":"monthly","monthly":{"percent":"x"}}""", "policy.monthly.percent")]
    [InlineData("""{"method":"monthly"}""", "policy.monthly.percent")]
    [InlineData(
        """{"dayCount":"act/365f","rates":[{"from":"2020-01-01","annualRate":"12"}],"taxCode":"NOPE"}""",
        "policy.taxCode"
    )]
    [InlineData(
        """
            {"dayCount":"act/365f","rates":[{"from":"2020-01-01","annualRate":"12"}],"compensation":[{"from":"5",
            "amount":"40"}]}
            """,
        "policy.compensation[0].from"
    )]
    [InlineData(
        """
            {"dayCount":"act/365f","rates":[{"from":"2020-01-01","annualRate":"12"}],"maximumPerRun":"-1","exemptBelow":"a",
            "bandsOn":"moon"}
            """,
        "policy.bandsOn,policy.maximumPerRun,policy.exemptBelow"
    )]
    public async Task A_late_charge_policy_that_makes_no_sense_names_the_field(string policy, string fields) =>
        string.Join(
                ',',
                await _app.Refused("/api/policies/late-charges", $$"""{"code":"X","name":"X","policy":{{policy}}}""")
            )
            .ShouldBe(fields);

    [Fact]
    public async Task A_kind_of_policy_that_there_is_not_is_told() =>
        (
            await _app.Client.GetAsync(new Uri("/api/policies/others/history?code=X", UriKind.Relative))
        ).StatusCode.ShouldBe(System.Net.HttpStatusCode.BadRequest);
}
