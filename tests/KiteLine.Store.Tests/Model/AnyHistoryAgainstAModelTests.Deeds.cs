using Dapper;
using KiteLine.Core;
using KiteLine.Formats;
using Shouldly;

namespace KiteLine.Store.Tests.Model;

/// <content>What happens on one account.</content>
public sealed partial class AnyHistoryAgainstAModelTests
{
    private DateOnly Back(int most) => _today.AddDays(-_random.Next(most));

    private long IdOf(string number) =>
        _books.Read(c =>
            c.ExecuteScalar<long>(
                "SELECT i.id FROM item i JOIN document d ON d.id = i.document_id WHERE d.number = @number",
                new { number }
            )
        );

    private BookModel.Document? Any(List<BookModel.Document> of) => of.Count == 0 ? null : of[_random.Next(of.Count)];

    private BookModel.Document Add(
        string number,
        char kind,
        DateOnly date,
        DateOnly due,
        long minor,
        List<(DateOnly, long)>? discounts = null
    )
    {
        var document = new BookModel.Document
        {
            Number = number,
            Kind = kind,
            Date = date,
        };
        document.Offers.Add(new(DateOnly.MinValue, DateOnly.MinValue, due, discounts ?? []));
        document.Changes.Add(new(date, _today, minor, _deed));
        Model.Documents.Add(document);
        return document;
    }

    private void Invoice()
    {
        var (text, steps, net) = _random.Next(3) switch
        {
            0 => ("n/14", Array.Empty<(int Percent, int Days)>(), 14),
            1 => ("2/10 n/21", [(2, 10)], 21),
            _ => ("3/7, 1/14 n/20", [(3, 7), (1, 14)], 20),
        };
        var (date, minor) = (Back(12), (long)_random.Next(1_000, 900_000));
        var posted = As(tx =>
        {
            var stored = PolicyStore.TermsByText(tx, text);
            return PostingStore.Post(
                tx,
                Account,
                InvoicePosting.Invoice(
                    null,
                    date,
                    new InvoiceAmounts(Minor(minor), Minor(0), Minor(0)),
                    stored.Definition.ToTerms(),
                    tx.Rules()
                ),
                stored.Id
            );
        });
        _deed++;
        Add(
            posted.Number!,
            'I',
            date,
            date.AddDays(net),
            minor,
            [
                .. steps.Select(s =>
                    (date.AddDays(s.Days), Model.Round((System.Numerics.BigInteger)minor * s.Percent, 100))
                ),
            ]
        );
    }

    private void CreditNote()
    {
        var (date, minor) = (Back(5), (long)_random.Next(1_000, 90_000));
        var posted = As(tx =>
            PostingStore.Post(
                tx,
                Account,
                InvoicePosting.CreditNote(null, date, new InvoiceAmounts(Minor(minor), Minor(0), Minor(0)), _today)
            )
        );
        _deed++;
        Add(posted.Number!, 'C', date, date, -minor);
    }

    private void Receipt()
    {
        var debits = Model.Documents.Where(d => d.Left > 0).ToList();
        var value = Back(25);
        var chosen = _random.Next(6) == 0 ? null : Any(debits);
        if (chosen is not null && value < chosen.Date)
            value = chosen.Date;
        var method = _random.Next(3) == 0 ? "CHEQUE" : "";
        var cash = chosen is null ? _random.Next(500, 50_000) : CashFor(chosen, value);
        if (cash <= 0)
            throw new RefusedException("cash", "nothing");
        var request = new PaymentRequest(
            value,
            Minor(cash).Amount,
            "ref",
            chosen is null ? new Dictionary<long, PaymentChoice>() : new() { [IdOf(chosen.Number)] = new() },
            Method: method
        );
        var posted = As(tx => new ReceiptDesk(_items).Take(tx, Codes[_at], request));
        _deed++;
        var receipt = Add(posted.Number!, 'R', value, value, -cash);
        var days =
            _books.Read(CompanyStore.Settings).PaymentMethods.FirstOrDefault(m => m.Code == method)?.ClearingDays ?? 0;
        Model.Receipts.Add((receipt, _today, days > 0 ? value.AddDays(days) : DateOnly.MinValue, _deed, null));
        if (chosen is null)
            return;

        // By what was owed on the value date: settled in full; or short by no more than the discount in force; or the cash
        // lowers what is open. No more is settled than is open now.
        var (left, owed) = (chosen.Left, Math.Max(chosen.Left, chosen.ByValue(value)));
        var before = -chosen.Changes.Where(c => c.Discount).Sum(c => c.Minor);
        var discount = Math.Max(
            0,
            chosen.DiscountsOn(value).Where(x => x.LastDay >= value).Select(x => x.Minor).DefaultIfEmpty(0).Max()
                - before
        );
        var given = cash < owed && owed - cash <= Math.Min(discount, owed) ? Math.Min(owed - cash, left) : 0;
        var used = Math.Min(cash, left - given);
        chosen.Changes.Add(new(value, _today, -used, _deed));
        if (given > 0)
            chosen.Changes.Add(new(value, _today, -given, _deed, Discount: true));
        receipt.Changes.Add(new(value, _today, used, _deed));
    }

    private long CashFor(BookModel.Document d, DateOnly value)
    {
        var discount = Math.Min(
            d.Left,
            d.DiscountsOn(value).Where(x => x.LastDay >= value).Select(x => x.Minor).DefaultIfEmpty(0).Max()
        );
        return _random.Next(5) switch
        {
            0 => d.Left,
            1 => d.Left - discount,
            2 => d.Left - (discount / 2),
            3 => d.Left + _random.Next(1, 5_000),
            _ => Math.Max(1, d.Left * _random.Next(1, 95) / 100),
        };
    }

    private void SetOff()
    {
        if (
            Any(Model.Documents.Where(d => d.Left < 0 && d.Kind is 'C' or 'R' && d.Left < 0).ToList()) is not { } credit
            || Any(Model.Documents.Where(d => d.Left > 0).ToList()) is not { } debit
        )
            throw new RefusedException("credit", "There is none.");
        var most = Math.Min(-credit.Left, debit.Left);
        var amount = _random.Next(2) == 0 ? most : Math.Max(1, most / 3);
        var value = new[] { credit.Date, debit.Date, Back(10) }.Max();
        As(tx =>
            new AllocationDesk(_items).Set(
                tx,
                Account,
                IdOf(credit.Number),
                [(IdOf(debit.Number), Minor(amount))],
                value
            )
        );
        _deed++;
        credit.Changes.Add(new(value, _today, amount, _deed));
        debit.Changes.Add(new(value, _today, -amount, _deed));
        _setOffs.Add((_at, LastEntry(), _deed));
    }

    private void Reverse()
    {
        var entries = _books
            .Read(c =>
                c.Query<(long Id, string Number)>(
                    "SELECT e.id, d.number FROM entry e JOIN document d ON d.entry_id = e.id WHERE e.kind = 3 AND "
                        + "d.account_id = @Id AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id)",
                    new { Account.Id }
                )
            )
            .ToList();
        if (entries.Count == 0)
            throw new RefusedException("entry", "There is none.");
        var (id, number) = entries[_random.Next(entries.Count)];
        As(tx => ReversalDesk.Post(tx, id, "bounced"));
        var n = Model.Receipts.FindIndex(r => r.Document.Number == number);
        var receipt = Model.Receipts[n];
        Undo(receipt.Deed);
        Model.Receipts[n] = receipt with { Undone = _today };
    }

    // Everything that one deed moved goes back by the value dates it had, and is known from today on.
    private void Undo(int deed)
    {
        foreach (var d in Model.Documents)
        foreach (var c in d.Changes.Where(c => c.Deed == deed).ToList())
            d.Changes.Add(
                new(c.Value, _today, -c.Minor, d.Kind == 'R' && c == d.Changes[0] ? -1 : 1_000_000, c.Discount)
            );
    }

    private void Charge()
    {
        var through = Back(6);
        var lines = Model.Due(through, _today);
        var decision = default(ChargeDecision);
        var posted = As(tx =>
        {
            decision = new LateChargeDesk(_ledgers).Decide(tx.Connection, Account, through, [], tx.Rules());
            return LateChargeDesk.Post(tx, Account, decision);
        });
        decision!
            .Lines.Where(l => !l.Total.IsZero)
            .ToDictionary(l => l.Item.Document, l => l.Total.Minor)
            .ShouldBe(lines, ignoreOrder: true);
        _deed++;
        var net = lines.Values.Sum();
        var document = Add(posted.Number!, 'L', _today, _today, net + Model.Tax(net));
        Model.Charges.Add((document, _today, through, lines));
    }

    private void ReverseCharge()
    {
        if (Model.Charges.Count == 0)
            throw new RefusedException("entry", "There is none.");
        var last = Model.Charges[^1];
        var entry = _books.Read(c =>
            c.ExecuteScalar<long>("SELECT entry_id FROM document WHERE number = @Number", new { last.Document.Number })
        );
        As(tx => ReversalDesk.Post(tx, entry, "waived"));
        last.Document.Changes.Add(new(last.Document.Date, _today, -last.Document.Opened, 1_000_000));
        Model.Charges.RemoveAt(Model.Charges.Count - 1);
    }

    private void Remind()
    {
        var next = Model.NextLetter(_today, Fees);
        var proposal = ReminderProposal.For(Ledger, _today, RulesNow);
        if (next is not { } letter)
        {
            proposal.Level.ShouldBe(0, proposal.LeftOut);
            throw new RefusedException("date", "None goes out.");
        }

        proposal.Level.ShouldBe(letter.Level, proposal.LeftOut);
        proposal.Items.ToDictionary(i => i.Item.Document, i => i.Open.Minor).ShouldBe(letter.Asked, ignoreOrder: true);
        proposal
            .Items.Where(i => i.Moves)
            .ToDictionary(i => i.Item.Document, i => i.Level)
            .ShouldBe(letter.Moving, ignoreOrder: true);
        proposal.OwnFee.Minor.ShouldBe(letter.Fee);
        // The letter asks for what is to settle on its items: their charges with tax, and each fee once.
        var net = Model.Due(_today, _today).Where(l => letter.Asked.ContainsKey(l.Key)).Sum(l => l.Value);
        proposal.LateCharge.Minor.ShouldBe(net + Model.Tax(net));
        var replaces = letter.Level < 3 && !_add;
        var earlier = Model
            .Shown(_today)
            .Where(l =>
                l.Levels.Keys.Any(letter.Asked.ContainsKey)
                && !(replaces && l.Levels.Keys.Any(letter.Moving.ContainsKey))
            )
            .Sum(l => l.Fee);
        proposal.EarlierFees.Minor.ShouldBe(earlier);

        var number = As(tx => new ReminderDesk(_ledgers, LetterPdf.Render).Post(tx, Account, _today)).Number;
        _deed++;
        var posts = letter.Level == 3;
        Model.Letters.Add(new(number, _today, letter.Fee, posts, !_add, letter.Moving, _deed));
        if (posts)
        {
            var numbered = _books.Read(c =>
                c.ExecuteScalar<string>("SELECT number FROM document WHERE kind = 4 ORDER BY id DESC LIMIT 1")
            )!;
            Add(numbered, 'F', _today, _today.AddDays(7), letter.Fee);
        }
    }

    private void Dispute()
    {
        if (Model.Claims.FirstOrDefault(c => c.Settled is null) is { } open && _random.Next(2) == 0)
        {
            As(tx =>
            {
                DisputeStore.Settle(
                    tx,
                    Account,
                    DisputeStore
                        .Of(tx.Connection, Account)
                        .First(d => d.SettledOn is null && d.ItemId == IdOf(open.Of.Number))
                        .Id,
                    "agreed",
                    againstCustomer: false
                );
                return 0;
            });
            open.Settled = _today;
            return;
        }

        if (
            Any(Model.Documents.Where(d => d.Kind == 'I' && d.AsShown(_today) > 0 && d.Left > 1).ToList()) is not { } of
        )
            throw new RefusedException("item", "There is none.");
        var minor = Math.Max(1, of.Left * _random.Next(1, 101) / 100);
        As(tx =>
        {
            DisputeStore.Raise(tx, Account, IdOf(of.Number), Minor(minor), "", "came short");
            return 0;
        });
        Model.Claims.Add(new(of, minor, _today));
    }

    private void Promise()
    {
        if (Model.Promises.LastOrDefault(p => p.Withdrawn is null) is { } last && _random.Next(3) == 0)
        {
            As(tx =>
            {
                PromiseStore.Withdraw(
                    tx,
                    Account,
                    tx.Connection.ExecuteScalar<long>(
                        "SELECT max(id) FROM promise p WHERE p.account_id = @Id AND NOT EXISTS (SELECT 1 FROM "
                            + "promise_withdrawn w WHERE w.promise_id = p.id)",
                        new { Account.Id }
                    ),
                    "noted twice"
                );
                return 0;
            });
            last.Withdrawn = _today;
            return;
        }

        var (minor, due) = ((long)_random.Next(1_000, 200_000), _today.AddDays(_random.Next(0, 6)));
        As(tx =>
        {
            PromiseStore.Add(tx, Account, Minor(minor), due, "", "");
            return 0;
        });
        Model.Promises.Add(new(_today, due, minor));
    }
}
