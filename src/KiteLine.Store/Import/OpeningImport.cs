using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Brings customers and open items into the books from checked rows, all in the caller's transaction. Open items come
/// in one by one with their own dates; their journal is one entry a currency against the opening balances.
/// </summary>
public sealed class OpeningImport : IDisposable
{
    private readonly Tx _tx;
    private readonly CompanySettings _settings;
    private readonly Action<RowProblem> _problem;
    private readonly Action<RowProblem>? _named;
    private readonly DateOnly _postingDate;
    private readonly Dictionary<string, Account> _accounts = new(StringComparer.OrdinalIgnoreCase);
    private readonly Dictionary<string, string> _groups = new(StringComparer.OrdinalIgnoreCase);
    private readonly Dictionary<string, (long Id, string Code, Terms Terms)?> _terms = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> _proposed = new(StringComparer.Ordinal);
    private readonly Dictionary<Currency, OpeningEntry> _entries = [];
    private readonly Dictionary<long, Int128> _held = [];
    private readonly HashSet<long> _holding = [];
    private readonly Dictionary<(long Account, ItemKind Kind), EarlierDocument[]> _earlier = [];
    private readonly CalendarInForce _calendar;
    private readonly CustomerProfile _profile;
    private readonly OpeningWriter _writer;
    private readonly CustomerWriter _customers;

    private sealed class OpeningEntry(long id)
    {
        internal long Id { get; } = id;

        internal long Receivables { get; set; }

        internal long CashOnAccount { get; set; }
    }

    /// <param name="only">The one account that items may be for; null for any, as by a file.</param>
    /// <param name="named">Is told rows that are stored and look like a document that the account has already; null where
    /// nobody asks.</param>
    public OpeningImport(
        Tx tx,
        DateOnly postingDate,
        Action<RowProblem> problem,
        Account? only = null,
        Action<RowProblem>? named = null
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        (_tx, _postingDate, _problem, _named) = (tx, postingDate, problem, named);
        _settings = CompanyStore.Settings(tx.Connection);
        _profile = AccountStore.ProfileOf(_settings.Defaults);
        _calendar = CalendarInForce.Of(tx.Connection, _settings);
        if (only is not null)
            _accounts.Add(only.Code, only);
        else
            foreach (var account in tx.Connection.Query<Account>("SELECT * FROM account", buffered: false))
                _accounts.Add(account.Code, account);
        // Most accounts of a file have nothing in the books yet, which is asked once and not for each.
        _holding.UnionWith(
            tx.Connection.Query<long>(
                "SELECT a.id FROM account a WHERE EXISTS (SELECT 1 FROM item i WHERE i.account_id = a.id)"
                    + (only is null ? "" : " AND a.id = @Id"),
                new { only?.Id }
            )
        );
        // The unique index is written in no order at all, so as much of it as there is room for is kept in memory.
        if (only is null)
            tx.Connection.Execute("PRAGMA cache_size = -400000");
        _writer = new(tx.Connection, _calendar.Id);
        _customers = new(
            tx,
            _profile,
            _settings.Defaults.TaxCode,
            tx.Connection.ExecuteScalar<long>("SELECT coalesce(max(id), 0) FROM account")
        );
        tx.MoveMany();
        if (only is null)
            tx.TouchAll();
    }

    internal const string KnownDocument =
        "The account has a document with this number already; it is not stored twice.";

    /// <summary>Customers and items stored so far.</summary>
    public (long Customers, long Items) Stored { get; private set; }

    /// <summary>Stores a customer; reports and gives false when it cannot be.</summary>
    public bool Customer(string file, CustomerRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        var good = true;
        void Bad(string column, string? value, string reason)
        {
            good = false;
            _problem(new(file, row.Row, column, value ?? "", reason));
        }

        if (row.Code is { } taken && _accounts.ContainsKey(taken))
            Bad("code", taken, "There is an account with this code already.");
        var terms = TermsOf(row.Terms ?? _settings.Defaults.Terms, (value, reason) => Bad("terms", value, reason));
        var policy = row.LateChargePolicy ?? _settings.Defaults.LateChargePolicy;
        if (policy is not null && !Exists(PolicyKind.LateCharge, policy))
            Bad("late_charge_policy", policy, "There is no late-charge policy with this code.");
        var plan = row.ReminderPlan ?? _settings.Defaults.ReminderPlan;
        if (plan is not null && !Exists(PolicyKind.ReminderPlan, plan))
            Bad("reminder_plan", plan, "There is no reminder plan with this code.");
        var currency = row.Currency ?? Currency.Of(_settings.BaseCurrency);
        var limit = row.Limit ?? _settings.Defaults.Limit;
        if (!currency.Fits(limit))
            Bad("limit", $"{limit}", $"Give at most {currency.Decimals} decimals for {currency.Code}.");
        if (!good)
            return false;

        var account = new Account
        {
            Code = row.Code ?? Proposed(row.Name),
            Name = row.Name,
            Currency = currency,
            Terms = terms!.Value.Code,
            LateChargePolicy = policy,
            ReminderPlan = plan,
            TaxCode = _settings.Defaults.TaxCode,
            Profile = _profile,
            GroupName = Group(row.Group),
            Email = row.Email,
            Version = 1,
        };
        account = account with { Id = _customers.Write(account, Money.Exact(limit, currency), row.State) };
        _accounts.Add(account.Code, account);
        Stored = Stored with { Customers = Stored.Customers + 1 };
        return true;
    }

    /// <summary>Checks and stores an open item; reports and gives false when it cannot be.</summary>
    /// <param name="values">In the order of <see cref="OpenItemRow.Columns"/>.</param>
    public bool OpenItem(string file, long line, string[] values)
    {
        ArgumentNullException.ThrowIfNull(values);
        void Bad(string column, string value, string reason) => _problem(new(file, line, column, value, reason));

        if (!_accounts.TryGetValue(values[0], out var account))
        {
            Bad(
                "account",
                values[0],
                values[0].Length == 0
                    ? "Give the account's code."
                    : "There is no account with this code, in the books or in customers.csv."
            );
            // The other columns are checked all the same, by the company's own currency, so that one run reports all.
            _ = OpenItemRow.Check(values, Currency.Of(_settings.BaseCurrency), Bad, out _);
            return false;
        }

        if (!OpenItemRow.Check(values, account.Currency, Bad, out var row))
            return false;
        if (_settings.ClosedThrough is { } closed && _postingDate <= closed)
        {
            Bad("date", values[3], $"The books are closed through {Exactly.Day(closed)}; open items cannot come in.");
            return false;
        }

        (long Id, string Code, Terms Terms)? terms = null;
        if (row.Kind == ItemKind.Invoice)
        {
            terms = TermsOf(
                values[9].Length > 0 ? values[9] : account.Terms,
                (value, reason) => Bad("terms", value, reason)
            );
            if (terms is null)
                return false;
        }

        // Before anything is written of it: a document without its items would be none.
        if (Parts(account, row, terms?.Terms, reason => Bad("terms", values[9], reason)) is not { } parts)
            return false;
        if (Held(account) + row.Open > AccountBounds.Most)
        {
            Bad("open", values[8], AccountBounds.Refusal(account.Code, account.Currency));
            return false;
        }

        var entry = Entry(account.Currency);
        if (Math.Abs(entry.Receivables) + Math.Abs(entry.CashOnAccount) + row.Open > AccountBounds.Most)
        {
            Bad("open", values[8], "The open items of one file add up to more than the journal can hold; give fewer.");
            return false;
        }

        if (!_writer.Document(account.Id, entry.Id, row, terms?.Id))
        {
            Bad("document", row.Document, KnownDocument);
            return false;
        }

        Name(file, line, account, row);
        foreach (var (instalment, of, due, open) in parts)
            _writer.Item(account.Id, entry.Id, row, instalment, of, due, open);
        var owed = row.Kind == ItemKind.Invoice ? row.Open : -row.Open;
        if (OpeningPosting.CustomersSide(row.Kind) == PostingPurpose.CashOnAccount)
            entry.CashOnAccount += owed;
        else
            entry.Receivables += owed;
        _held[account.Id] = Held(account) + row.Open;
        Stored = Stored with { Items = Stored.Items + 1 };
        return true;
    }

    private void Name(string file, long line, Account account, in OpenItemRow row)
    {
        if (_named is null || !_holding.Contains(account.Id))
            return;
        var key = (account.Id, row.Kind);
        if (!_earlier.TryGetValue(key, out var earlier))
            // The row itself stands in the books by now.
            _earlier.Add(
                key,
                earlier = [
                    .. EarlierDocuments
                        .Of(_tx.Connection, [account.Id], row.Kind, account.Currency)[account.Id]
                        .Skip(1),
                ]
            );
        foreach (
            var warning in DocumentWarnings.LikelyDuplicates(
                row.Kind,
                row.Date,
                Money.FromMinor(row.Net + row.Tax, account.Currency),
                row.Reference,
                earlier
            )
        )
            _named(new(file, line, "document", row.Document, warning.Text));
    }

    // What an account holds already.
    private Int128 Held(Account account)
    {
        if (!_held.TryGetValue(account.Id, out var held) && _holding.Contains(account.Id))
            held = _tx.Connection.ExecuteScalar<long>(
                "SELECT coalesce(sum(abs(m.amount)), 0) FROM item i JOIN movement m ON m.item_id = i.id WHERE "
                    + "i.account_id = @Id",
                new { account.Id }
            );
        return _held[account.Id] = held;
    }

    /// <summary>
    /// Writes the journal lines and the audit row once all rows are in; gives the entries made, one a currency.
    /// </summary>
    public IReadOnlyList<long> Finish(string source)
    {
        _tx.Sealed.AddRange(_writer.Sealed());
        foreach (var entry in _entries.Values)
        {
            var n = 0;
            void Line(PostingPurpose purpose, long amount)
            {
                if (amount != 0)
                    _tx.Connection.Execute(
                        "INSERT INTO journal_line VALUES (@Id, @n, @purpose, @amount, @number)",
                        new
                        {
                            entry.Id,
                            n = n++,
                            purpose,
                            amount,
                            number = _settings.PostingAccounts.GetValueOrDefault(purpose, ""),
                        }
                    );
            }

            Line(PostingPurpose.Receivables, entry.Receivables);
            Line(PostingPurpose.CashOnAccount, entry.CashOnAccount);
            Line(PostingPurpose.OpeningBalances, -(entry.Receivables + entry.CashOnAccount));
        }

        Audit.Record(
            _tx,
            "import",
            "stored",
            new
            {
                source,
                Stored.Customers,
                Stored.Items,
            }
        );
        return [.. _entries.Values.Select(e => e.Id)];
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _writer.Dispose();
        _customers.Dispose();
    }

    private (int Instalment, int Of, DateOnly Due, long Open)[]? Parts(
        Account account,
        in OpenItemRow row,
        Terms? terms,
        Action<string> problem
    )
    {
        try
        {
            return [.. OpeningItems.Of(row, terms, account.Currency, _calendar.Calendar, _settings.Rounding)];
        }
        catch (TermsException e)
        {
            problem(e.Message);
            return null;
        }
    }

    private OpeningEntry Entry(Currency currency)
    {
        if (_entries.TryGetValue(currency, out var entry))
            return entry;
        var id = _tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO entry (kind, posting_date, text, currency, posted_by, posted_at)
            VALUES (@kind, @_postingDate, 'Open items imported', @Code, @Who, @Now) RETURNING id
            """,
            new
            {
                kind = PostingKind.Opening,
                _postingDate,
                currency.Code,
                _tx.Who,
                _tx.Now,
            }
        );
        return _entries[currency] = new(id);
    }

    private (long Id, string Code, Terms Terms)? TermsOf(string text, Action<string, string> problem)
    {
        if (_terms.TryGetValue(text, out var known))
            return known;
        try
        {
            var stored = PolicyStore.TermsByText(_tx, text);
            return _terms[text] = (stored.Id, stored.Code, stored.Definition.ToTerms());
        }
        catch (RefusedException e)
        {
            problem(text, e.Problems[0].Message);
            return null;
        }
    }

    private string Group(string name)
    {
        if (name.Length == 0)
            return "";
        if (!_groups.TryGetValue(name, out var known))
            _groups.Add(name, known = GroupStore.Known(_tx, name));
        return known;
    }

    private bool Exists(string kind, string code) =>
        _tx.Connection.ExecuteScalar<long>(
            "SELECT count(*) FROM policy WHERE kind = @kind AND code = @code AND is_current",
            new { kind, code }
        ) > 0;

    private string Proposed(string name)
    {
        var prefix = AccountCode.Prefix(name);
        var code = AccountCode.Propose(name, _accounts.ContainsKey, _proposed.GetValueOrDefault(prefix, 1));
        _proposed[prefix] = int.Parse(code.AsSpan(3), System.Globalization.CultureInfo.InvariantCulture) + 1;
        return code;
    }
}
