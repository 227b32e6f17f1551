using System.Text.Json;
using KiteLine.Store;
using Shouldly;

namespace KiteLine.Web.Tests;

/// <summary>The application over <see cref="BankBooks"/>, with what tests of cash ask of it again and again.</summary>
internal sealed class CashBooks : IDisposable
{
    internal CashBooks()
    {
        BankBooks.Open(App);
        // Cheques are taken by hand.
        App.Books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                CompanyStore.Change(
                    tx,
                    stored.Settings with
                    {
                        PaymentMethods =
                        [
                            .. stored.Settings.PaymentMethods,
                            new("CHQ", "Cheque", 0, "1230", ByHand: true),
                        ],
                    },
                    stored.Version,
                    "tests"
                );
                return 0;
            }
        );
    }

    internal TestApp App { get; } = new();

    /// <summary>Moves the business date on.</summary>
    internal void Today(int day) =>
        App.Books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                var moved = stored.Settings with { PinnedBusinessDate = new(2026, 3, day) };
                CompanyStore.Change(tx, moved, stored.Version, "tests");
                return 0;
            }
        );

    public void Dispose()
    {
        // Whatever a test did, the books still hold.
        var off = App.Books.Read(Verifier.Check);
        App.Dispose();
        off.ShouldBeEmpty();
    }

    internal async Task<JsonElement> Done(string path, object body)
    {
        var (status, answer) = await App.Post(path, body);
        status.ShouldBe(200, $"{answer}");
        return answer;
    }

    /// <summary>What is open of each document, credits negative.</summary>
    internal async Task<string> Open(string account) =>
        string.Join(
            ", ",
            (await Items(account))
                .Select(i => $"{i.GetProperty("document")} {i.GetProperty("open")}")
                .Order(StringComparer.Ordinal)
        );

    internal async Task<JsonElement[]> Items(string account) =>
        [.. (await App.Get($"/api/accounts/{account}")).GetProperty("items").EnumerateArray()];

    internal async Task<long> Item(string account, string document) =>
        (await Items(account))
            .Single(i => i.GetProperty("document").GetString() == document)
            .GetProperty("id")
            .GetInt64();

    /// <summary>Takes money on an account for nothing in particular, or for one document.</summary>
    internal async Task<JsonElement> Receipt(
        string account,
        string cash,
        string? document = null,
        string? method = null
    )
    {
        var items = document is null ? [] : new[] { new { id = await Item(account, document) } };
        return await Done(
            $"/api/accounts/{account}/receipts",
            new
            {
                cash,
                valueDate = "2026-03-16",
                method,
                items,
                reference = "ref",
            }
        );
    }

    /// <summary>Stores a statement of entries and gives its lines by their references.</summary>
    internal async Task<Dictionary<string, long>> Statement(decimal sum, params string[] entries)
    {
        using var response = await App.Client.PostAsync(
            new Uri("/api/bank/statements", UriKind.Relative),
            new StringContent($"{new CamtText { Sum = sum, Entries = entries }}")
        );
        var told = await response.Content.ReadAsStringAsync();
        JsonDocument.Parse(told).RootElement[0].GetProperty("problems").GetArrayLength().ShouldBe(0, told);
        return (await App.Get("/api/bank/statements/1/lines"))
            .GetProperty("items")
            .EnumerateArray()
            .ToDictionary(l => l.GetProperty("reference").GetString()!, l => l.GetProperty("id").GetInt64());
    }

    /// <summary>What a posting account closes with today.</summary>
    internal async Task<string?> Balance(string purpose, string? number = null) =>
        (await App.Get("/api/journal/balances"))
            .GetProperty("items")
            .EnumerateArray()
            .Where(b => b.GetProperty("purpose").GetString() == purpose)
            .Where(b => number is null || b.GetProperty("account").GetString() == number)
            .Select(b => b.GetProperty("closing").GetString())
            .SingleOrDefault();
}
