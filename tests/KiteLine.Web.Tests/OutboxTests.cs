using System.Text.Json;
using KiteLine.Core;
using KiteLine.Demo;
using KiteLine.Formats;
using KiteLine.Store;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>Messages to customers, from the outbox to a mail server over the line, and onto paper.</summary>
public sealed class OutboxTests : IDisposable
{
    private const string Sender = "accounts@ours.example";
    private readonly CashBooks _cash = new();

    public OutboxTests()
    {
        _cash.App.Books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                CompanyStore.Change(
                    tx,
                    stored.Settings with
                    {
                        Mail = new(SenderAddress: Sender),
                    },
                    stored.Version,
                    "tests"
                );
                var account = AccountStore.Get(tx.Connection, "PEL01");
                return AccountStore.Change(
                    tx,
                    account with
                    {
                        Email = "payables@pellworm.example; office@pellworm.example",
                        Profile = account.Profile with { Delivery = Delivery.Email, Electronic = true },
                    },
                    "tests"
                );
            }
        );
    }

    public void Dispose() => _cash.Dispose();

    private async Task<long> Sent(object? more = null)
    {
        var invoice = await _cash.Done(
            "/api/accounts/PEL01/invoices",
            more
                ?? new
                {
                    net = "100.00",
                    tax = "20.00",
                    send = true,
                }
        );
        invoice.GetProperty("number").GetString().ShouldNotBeNull();
        return (await Page())[0].GetProperty("id").GetInt64();
    }

    private async Task<JsonElement[]> Page(string query = "") =>
        [.. (await _cash.App.Get($"/api/outbox{query}")).GetProperty("items").EnumerateArray()];

    private async Task<(string State, string Detail)> State(long id)
    {
        var message = (await _cash.App.Get($"/api/outbox/{id}")).GetProperty("message");
        return (message.GetProperty("state").GetString()!, message.GetProperty("detail").GetString()!);
    }

    private OutboxSending To(MailRoute route, double seconds = 10) =>
        new(
            _cash.App.Books,
            _cash.App.Desk.Messages.Files,
            m => new SmtpMailer(TimeSpan.FromSeconds(seconds)).Send(m, route)
        );

    private async Task<string[]> Told() =>
        [
            .. (await _cash.App.Get("/api/accounts/PEL01/log"))
                .EnumerateArray()
                .Select(e => e.GetProperty("text").GetString()!),
        ];

    private Task<JsonElement> Act(long id, string act) => _cash.Done($"/api/outbox/{id}/act", new { act });

    [Fact]
    public async Task An_invoice_arrives_in_the_mailbox_with_what_it_brings_and_the_log_says_so()
    {
        var folder = Directory.CreateTempSubdirectory("kiteline-mail").FullName;
        using var server = new SimulatedMailServer(folder);
        var id = await Sent();
        (await State(id)).State.ShouldBe("waiting");

        To(server.Route!).Next().ShouldBeTrue();

        (await State(id)).ShouldBe(("sent", ""));
        var mail = server.Received(10).ShouldHaveSingleItem();
        mail.To.ShouldBe(["payables@pellworm.example", "office@pellworm.example"]);
        var read = MailFile.Read(server.Get(mail.Name)!);
        read.From.ShouldContain(Sender);
        read.Subject.ShouldStartWith("Invoice ");
        read.Text.ShouldContain("120.00 GBP");
        read.Files.Select(f => f.MediaType).ShouldBe(["application/pdf", "application/xml"]);
        using (var pdf = PdfDocument.Open(read.Files[0].Content))
            pdf.GetPage(1).Text.ShouldContain("120.00");
        UblInvoice.Read(read.Files[1].Content).Number.ShouldBe(Path.GetFileNameWithoutExtension(read.Files[1].Name));
        (await Told())[0].ShouldEndWith("was sent to payables@pellworm.example; office@pellworm.example.");
        // Nothing of it goes out again.
        To(server.Route!).Next().ShouldBeFalse();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task What_was_sent_is_kept_as_it_was()
    {
        using var server = new SpoiltMailServer(SpoiltMailServer.Well);
        var id = await Sent();
        To(server.Route).Next();
        var file = (await _cash.App.Get($"/api/outbox/{id}")).GetProperty("files")[0];
        var path = $"/api/outbox/{id}/files/{file.GetProperty("id")}";
        var before = await _cash.App.Client.GetByteArrayAsync(new Uri(path, UriKind.Relative));

        _cash.App.Books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                return CompanyStore.Change(tx, stored.Settings with { Name = "Another" }, stored.Version, "tests");
            }
        );

        (await _cash.App.Client.GetByteArrayAsync(new Uri(path, UriKind.Relative))).ShouldBe(before);
        (await _cash.App.Client.GetByteArrayAsync(new Uri($"/api/outbox/{id}/pdf", UriKind.Relative))).ShouldBe(before);
    }

    [Fact]
    public async Task A_refused_address_is_named_and_the_others_get_it()
    {
        using var server = new SpoiltMailServer(l =>
            l.StartsWith("RCPT TO:<office", StringComparison.Ordinal) ? "550 no such mailbox" : SpoiltMailServer.Well(l)
        );
        var id = await Sent();
        To(server.Route).Next();
        (await State(id)).ShouldBe(("sent", "Not taken for office@pellworm.example: 550 no such mailbox"));
        server.Came.Count.ShouldBe(1);
    }

    [Theory]
    [InlineData("RCPT", "550 no such mailbox", "failed")]
    [InlineData("RCPT", "451 come again", "waiting")]
    [InlineData("MAIL", "553 not from you", "failed")]
    [InlineData("MAIL", "421 busy", "waiting")]
    [InlineData(".", "552 too large", "failed")]
    [InlineData(".", "452 no room", "waiting")]
    public async Task What_the_server_says_decides(string at, string says, string state)
    {
        using var server = new SpoiltMailServer(l =>
            l.StartsWith(at, StringComparison.Ordinal) ? says : SpoiltMailServer.Well(l)
        );
        var id = await Sent();
        To(server.Route).Next().ShouldBeTrue();
        var (is_, detail) = await State(id);
        is_.ShouldBe(state);
        detail.ShouldContain(says.Split(' ')[0] == "421" ? "busy" : says[4..]);
        // What waits is tried later and not at once.
        To(server.Route).Next().ShouldBeFalse();
    }

    [Theory]
    [InlineData("EHLO", "waiting")]
    [InlineData("RCPT", "waiting")]
    [InlineData("DATA", "waiting")]
    [InlineData(".", "unsure")]
    public async Task A_line_that_ends_leaves_it_open_only_once_the_message_was_given(string at, string state)
    {
        using var server = new SpoiltMailServer(l =>
            l.StartsWith(at, StringComparison.Ordinal) ? null : SpoiltMailServer.Well(l)
        );
        var id = await Sent();
        To(server.Route).Next();
        (await State(id)).State.ShouldBe(state);
        // What may have gone out does not go out again by itself.
        To(server.Route).Next().ShouldBeFalse();
        server.Came.Count.ShouldBe(state == "unsure" ? 1 : 0);
    }

    [Fact]
    public async Task A_server_that_stalls_is_left()
    {
        using var server = new SpoiltMailServer(l =>
            l.StartsWith("MAIL", StringComparison.Ordinal) ? "" : SpoiltMailServer.Well(l)
        );
        var id = await Sent();
        To(server.Route, 0.3).Next();
        (await State(id)).State.ShouldBe("waiting");
    }

    [Fact]
    public async Task One_of_which_nobody_knows_is_tried_again_under_the_same_identification_or_said_to_have_arrived()
    {
        var drops = true;
        using var server = new SpoiltMailServer(l => l == "." && drops ? null : SpoiltMailServer.Well(l));
        var first = await Sent();
        To(server.Route).Next();
        var second = await Sent();
        To(server.Route).Next();
        drops = false;

        var shown = await Act(first, "tryAgain");
        To(server.Route).Next();
        (await State(first)).State.ShouldBe("sent");
        var messageId = shown.GetProperty("messageId").GetString()!;
        server
            .Came.Count(m => m.Contains($"Message-Id: <{messageId}>", StringComparison.OrdinalIgnoreCase))
            .ShouldBe(2);
        await Act(second, "arrived");
        (await State(second)).State.ShouldBe("sent");
        server.Came.Count.ShouldBe(3);
    }

    [Fact]
    public async Task What_was_being_sent_when_the_program_ended_waits_for_somebody_to_say()
    {
        var id = await Sent();
        var sending = new OutboxSending(
            _cash.App.Books,
            _cash.App.Desk.Messages.Files,
            _ => throw new InvalidOperationException("killed")
        );
        Should.Throw<InvalidOperationException>(() => sending.Next());
        (await State(id)).State.ShouldBe("sending");

        OutboxSending.AfterStart(_cash.App.Books).ShouldBe(1);

        (await State(id)).State.ShouldBe("unsure");
        OutboxSending.AfterStart(_cash.App.Books).ShouldBe(0);
    }

    [Fact]
    public async Task A_document_that_cannot_be_made_waits_and_the_others_go()
    {
        using var server = new SpoiltMailServer(SpoiltMailServer.Well);
        var first = await Sent();
        var second = await Sent();
        var sending = new OutboxSending(
            _cash.App.Books,
            (c, m) =>
                m.Id == first ? throw new RefusedException("text", "spoilt") : _cash.App.Desk.Messages.Files(c, m),
            m => new SmtpMailer(TimeSpan.FromSeconds(10)).Send(m, server.Route)
        );
        while (sending.Next()) { }
        (await State(first)).ShouldBe(("failed", "Its document cannot be made: spoilt"));
        (await State(second)).State.ShouldBe("sent");
    }

    [Fact]
    public async Task It_can_be_held_back_released_and_withdrawn_and_nothing_else_than_is_possible()
    {
        using var server = new SpoiltMailServer(SpoiltMailServer.Well);
        var id = await Sent();
        await Act(id, "hold");
        To(server.Route).Next().ShouldBeFalse();
        (await _cash.App.Refused($"/api/outbox/{id}/act", new { act = "arrived" })).ShouldBe(["act"]);
        await Act(id, "release");
        await Act(id, "withdraw");
        To(server.Route).Next().ShouldBeFalse();
        (await State(id)).State.ShouldBe("withdrawn");
        (await _cash.App.Refused($"/api/outbox/{id}/act", new { act = "release" })).ShouldBe(["act"]);
        (await _cash.App.Refused($"/api/outbox/{id}/act", new { act = "burn" })).ShouldBe(["act"]);
        (await _cash.App.Post("/api/outbox/99/act", new { act = "hold" })).Status.ShouldBe(404);
    }

    [Fact]
    public async Task On_paper_it_is_printed_with_the_others_and_kept()
    {
        var first = await Sent();
        await Act(first, "withdraw");
        var document = (await _cash.App.Get("/api/accounts/PEL01/documents"))
            .GetProperty("items")[0]
            .GetProperty("id")
            .GetInt64();
        var one = await _cash.Done("/api/outbox", new { document, delivery = "print" });
        (await _cash.App.Refused("/api/outbox", new { document })).ShouldBe(["number"]);
        var two = await Sent(
            new
            {
                net = "50.00",
                tax = "10.00",
                send = true,
            }
        );
        await Act(two, "withdraw");
        var other = (await _cash.App.Get("/api/accounts/PEL01/documents"))
            .GetProperty("items")
            .EnumerateArray()
            .Select(d => d.GetProperty("id").GetInt64())
            .First(d => d != document);
        await _cash.Done("/api/outbox", new { document = other, delivery = "print" });

        using (
            var pdf = PdfDocument.Open(
                await _cash.App.Client.GetByteArrayAsync(new Uri("/api/outbox/to-print.pdf", UriKind.Relative))
            )
        )
            pdf.NumberOfPages.ShouldBe(2);
        var ids = (await Page("?state=print")).Select(m => m.GetProperty("id").GetInt64()).ToArray();
        ids.Length.ShouldBe(2);
        await _cash.Done("/api/outbox/printed", new { messages = ids });

        (await State(one.GetProperty("id").GetInt64())).State.ShouldBe("printed");
        (await Page("?state=print")).ShouldBeEmpty();
        (await Told()).Count(t => t.EndsWith("was printed.", StringComparison.Ordinal)).ShouldBe(2);
        (await _cash.App.Client.GetAsync(new Uri("/api/outbox/to-print.pdf", UriKind.Relative))).StatusCode.ShouldBe(
            System.Net.HttpStatusCode.BadRequest
        );
        (await _cash.App.Refused("/api/outbox/printed", new { messages = ids })).ShouldBe(["act"]);
        (await _cash.App.Refused("/api/outbox/printed", new { messages = Array.Empty<long>() })).ShouldBe(["messages"]);
    }

    [Fact]
    public async Task It_is_shown_before_and_wrong_input_is_named()
    {
        var document = (await _cash.App.Get("/api/accounts/PEL01/documents"))
            .GetProperty("items")[0]
            .GetProperty("id")
            .GetInt64();
        var shown = await _cash.Done("/api/outbox?preview=true", new { document });
        shown.GetProperty("id").ValueKind.ShouldBe(JsonValueKind.Null);
        shown.GetProperty("recipients").GetString().ShouldBe("payables@pellworm.example; office@pellworm.example");
        (await Page()).ShouldBeEmpty();
        (await _cash.App.Refused("/api/outbox", new { document, recipients = "nowhere" })).ShouldBe(["recipients"]);
        (
            await _cash.App.Refused(
                "/api/outbox",
                new
                {
                    document,
                    recipients = "",
                    delivery = "email",
                }
            )
        ).ShouldBe(["recipients"]);
        (await _cash.App.Refused("/api/outbox", new { document, delivery = "pigeon" })).ShouldBe(["delivery"]);
        (await _cash.App.Refused("/api/outbox", new { document, receipt = 1 })).ShouldBe(["document"]);
        (await _cash.App.Refused("/api/outbox", new { })).ShouldBe(["document"]);
        (await _cash.App.Post("/api/outbox", new { document = 99_999 })).Status.ShouldBe(404);
        (await _cash.App.Post("/api/outbox", new { reminder = "R-none" })).Status.ShouldBe(404);
    }

    [Fact]
    public async Task A_receipt_goes_out_too_and_a_customer_without_address_gets_paper()
    {
        var taken = await _cash.Receipt("PEL01", "300", "INV-1007", null);
        var sent = await _cash.Done("/api/outbox", new { receipt = taken.GetProperty("entryId").GetInt64() });
        sent.GetProperty("subject").GetString().ShouldStartWith("Receipt ");
        _cash.App.Books.Write(
            "tests",
            tx =>
            {
                var account = AccountStore.Get(tx.Connection, "PEL01");
                return AccountStore.Change(tx, account with { Email = "" }, "tests");
            }
        );
        var id = await Sent();
        (await State(id)).ShouldBe(("toPrint", "There is no e-mail address to send it to; it is to be printed."));
    }

    [Fact]
    public async Task A_subject_is_a_line_however_long_the_names_are()
    {
        _cash.App.Books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                var long_ = stored.Settings with { Name = new string('n', 200) };
                return CompanyStore.Change(tx, long_, stored.Version, "tests");
            }
        );
        var id = await Sent(
            new
            {
                number = new string('7', 190),
                net = "1.00",
                tax = "0.20",
                send = true,
            }
        );
        var subject = (await _cash.App.Get($"/api/outbox/{id}")).GetProperty("subject").GetString()!;
        (subject.Length, subject[^1]).ShouldBe((200, '…'));
    }

    [Fact]
    public async Task Lists_give_the_latest_first_by_state_and_account_page_by_page()
    {
        long[] ids = [await Sent(), await Sent(), await Sent()];
        await Act(ids[0], "hold");
        async Task<long[]> Ids(string query) => [.. (await Page(query)).Select(m => m.GetProperty("id").GetInt64())];
        (await Ids("")).ShouldBe([ids[2], ids[1], ids[0]]);
        (await Ids("?state=waiting&pageSize=1&page=2")).ShouldBe([ids[1]]);
        (await Ids("?state=held")).ShouldBe([ids[0]]);
        (await Ids("?account=PEL01&state=waiting")).ShouldBe([ids[2], ids[1]]);
        (await Ids("?account=HAR01")).ShouldBeEmpty();
        var page = await _cash.App.Get("/api/outbox?state=held");
        (page.GetProperty("total").GetInt64(), page.GetProperty("waiting").GetInt64()).ShouldBe((1, 2));
        page.GetProperty("server").ValueKind.ShouldBe(JsonValueKind.Null);
        using var wrong = await _cash.App.Client.GetAsync(new Uri("/api/outbox?state=lost", UriKind.Relative));
        wrong.StatusCode.ShouldBe(System.Net.HttpStatusCode.BadRequest);
    }

    [Theory]
    [InlineData("mail.ours.example", "mail.ours.example", "secret")]
    [InlineData("mail.ours.example", "MAIL.ours.example", "secret")]
    [InlineData("mail.ours.example", "mail.theirs.example", "")]
    [InlineData(null, "mail.ours.example", "")]
    public void The_password_goes_to_no_other_server_than_the_one_it_is_for(string? given, string set, string password)
    {
        Environment.SetEnvironmentVariable("KITELINE_MAIL_HOST", given);
        Environment.SetEnvironmentVariable("KITELINE_MAIL_PASSWORD", "secret");
        try
        {
            var settings = new CompanySettings { Mail = new(set, User: "us", SenderAddress: Sender) };
            new MailRoutes(new NoMailServer()).Of(settings)!.Password.ShouldBe(password);
        }
        finally
        {
            Environment.SetEnvironmentVariable("KITELINE_MAIL_HOST", null);
            Environment.SetEnvironmentVariable("KITELINE_MAIL_PASSWORD", null);
        }
    }

    [Fact]
    public void Without_a_server_or_a_sender_nothing_is_sent()
    {
        var routes = new MailRoutes(new NoMailServer());
        routes.Of(new()).ShouldBeNull();
        routes.Of(new() { Mail = new(SenderAddress: Sender) }).ShouldBeNull();
        routes.NameOf(new() { Mail = new(SenderAddress: Sender) }).ShouldBeNull();
        routes.NameOf(new() { Mail = new("m.example", SenderAddress: Sender) }).ShouldBe("m.example");
    }

    [Fact]
    public async Task What_is_reversed_before_it_went_out_does_not_go_out()
    {
        using var server = new SpoiltMailServer(SpoiltMailServer.Well);
        var invoice = await _cash.Done(
            "/api/accounts/PEL01/invoices",
            new
            {
                net = "100.00",
                tax = "20.00",
                send = true,
            }
        );
        var id = (await Page())[0].GetProperty("id").GetInt64();
        var other = await Sent();
        var document = (await _cash.App.Get("/api/accounts/PEL01/documents"))
            .GetProperty("items")
            .EnumerateArray()
            .Single(d => d.GetProperty("number").GetString() == invoice.GetProperty("number").GetString())
            .GetProperty("id")
            .GetInt64();

        var entry = invoice.GetProperty("entryId").GetInt64();
        await _cash.Done($"/api/postings/{entry}/reverse", new { reason = "wrong customer" });

        (await State(id)).ShouldBe(("withdrawn", "It was taken back before it went out."));
        while (To(server.Route).Next()) { }
        server.Came.Count.ShouldBe(1);
        (await State(other)).State.ShouldBe("sent");
        (await _cash.App.Refused("/api/outbox", new { document })).ShouldBe(["number"]);
    }
}
