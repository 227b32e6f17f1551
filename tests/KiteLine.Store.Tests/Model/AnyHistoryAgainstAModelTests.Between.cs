using Dapper;
using KiteLine.Core;
using Shouldly;

namespace KiteLine.Store.Tests.Model;

/// <content>What happens to several accounts at once, and what takes things back.</content>
public sealed partial class AnyHistoryAgainstAModelTests
{
    private readonly List<(int At, long Entry, int Deed)> _setOffs = [];
    private readonly List<Transfer> _moves = [];
    private readonly List<(long Slip, List<string> Receipts)> _slips = [];
    private readonly List<(long Run, DateOnly Through, List<(int At, BookModel.Document Document)> Charged)> _runs = [];
    private readonly List<(int At, long Entry, BookModel.Document Document)> _amendments = [];

    private sealed record Transfer(
        BookModel.Document From,
        long FromEntry,
        int To,
        BookModel.Document Arrived,
        long ToEntry,
        long Waiting
    );

    private long LastEntry(int back = 0) =>
        _books.Read(c =>
            c.ExecuteScalar<long>("SELECT id FROM entry ORDER BY id DESC LIMIT 1 OFFSET @back", new { back })
        );

    private long EntryOf(string number) =>
        _books.Read(c => c.ExecuteScalar<long>("SELECT entry_id FROM document WHERE number = @number", new { number }));

    private void ReverseDocument(char kind)
    {
        var of = Any([.. Model.Documents.Where(d => d.Kind == kind && d.Left != 0)]) ?? throw None();
        As(tx => ReversalDesk.Post(tx, EntryOf(of.Number), "written by mistake"));
        of.Changes.Add(new(of.Date, _today, -of.Opened, 1_000_000));
    }

    private static RefusedException None() => new("entry", "There is none.");

    private void ReverseSetOff()
    {
        var mine = _setOffs.Where(s => s.At == _at).ToList();
        if (mine.Count == 0)
            throw None();
        var chosen = mine[_random.Next(mine.Count)];
        As(tx => ReversalDesk.Post(tx, chosen.Entry, "the wrong one"));
        Undo(chosen.Deed);
        _setOffs.Remove(chosen);
    }

    // What is free of a receipt goes to another account, where it is on account by the value date that it has.
    private void Move()
    {
        var of =
            Any([
                .. Model
                    .Receipts.Where(r => r.Undone is null && r.Document.Left < 0 && r.Document.Changes.Count < 9)
                    .Select(r => r.Document),
            ]) ?? throw None();
        var receipt = Model.Receipts.Single(r => r.Document == of);
        var to = (_at + 1 + _random.Next(Codes.Length - 1)) % Codes.Length;
        var free = -of.Left;
        var amount = _random.Next(2) == 0 ? free : Math.Max(1, free / 3);
        var entry = EntryOf(of.Number);
        var moved = As(tx =>
            Moves.Post(
                tx,
                entry,
                new(_ => Minor(amount), new(Codes[to], new Dictionary<long, PaymentChoice>()), "theirs")
            )
        );
        _deed++;
        of.Changes.Add(new(of.Date, _today, amount, BookModel.Moved));
        var from = _at;
        _at = to;
        var arrived = Add(moved.To!.Number!, 'R', of.Date, of.Date, -amount);
        // The bank may take it back there as it might have here.
        Model.Receipts.Add((arrived, _today, receipt.Clears, _deed, null));
        _at = from;
        _moves.Add(new(of, moved.From.EntryId, to, arrived, moved.To.EntryId, Waiting(moved.From.EntryId)));
    }

    private long Waiting(long entry) =>
        _books.Read(c =>
            c.ExecuteScalar<long>("SELECT id FROM unassigned_receipt WHERE entry_id = @entry", new { entry })
        );

    private MoveDesk Moves
    {
        get
        {
            var receipts = new ReceiptDesk(_items);
            return new(new CorrectionDesk(_items), receipts, new UnassignedDesk(receipts), _items);
        }
    }

    // First off the account it went to, where it may have been reversed already, then back onto the one it came from.
    private void MoveBack()
    {
        var mine = _moves.Where(m => Model.Documents.Contains(m.From)).ToList();
        if (mine.Count == 0)
            throw None();
        var chosen = mine[_random.Next(mine.Count)];
        var there = _models[chosen.To];
        var n = there.Receipts.FindIndex(r => r.Document == chosen.Arrived);
        As(tx =>
        {
            if (there.Receipts[n].Undone is null)
                ReversalDesk.Post(tx, chosen.ToEntry, "not theirs after all");
            ReversalDesk.Post(tx, chosen.FromEntry, "not theirs after all");
            return 0;
        });
        if (there.Receipts[n].Undone is null)
        {
            var from = _at;
            _at = chosen.To;
            Undo(there.Receipts[n].Deed);
            there.Receipts[n] = there.Receipts[n] with { Undone = _today };
            _at = from;
        }

        chosen.From.Changes.Add(new(chosen.From.Date, _today, chosen.Arrived.Opened, BookModel.Moved));
        _moves.Remove(chosen);
    }

    private void RunOfAll()
    {
        var through = Back(6);
        var due = _models.Select(m => m.Due(through, _today)).ToArray();
        var desk = new RunDesk(_ledgers, new RunProposals(_ledgers, new VersionCache()));
        var run = desk.Propose(_books, Manager, RunKind.LateCharges, through, "all accounts", c => BookLoader.Load(c));
        if (_books.Read(c => RunStore.Progress(c, run)).GetValueOrDefault(RunLineState.Ready) == 0)
        {
            due.ShouldAllBe(lines => lines.Count == 0);
            As(tx => RunDesk.Discard(tx, run, "nothing is due"));
            return;
        }

        As(tx => RunDesk.Start(tx, run, send: false));
        var posting = new RunPosting(
            _books,
            _ledgers,
            new ReminderDesk(_ledgers, KiteLine.Formats.LetterPdf.Render),
            (_, _) => { },
            (_, _) => { }
        );
        while (posting.Next(run)) { }
        var charged = new List<(int, BookModel.Document)>();
        for (var at = 0; at < Codes.Length; at++)
        {
            var number = _books.Read(c =>
                c.ExecuteScalar<string?>(
                    """
                    SELECT d.number FROM run_posting p JOIN document d ON d.entry_id = p.entry_id
                        JOIN account a ON a.id = d.account_id WHERE p.run_id = @run AND a.code = @code
                    """,
                    new { run, code = Codes[at] }
                )
            );
            // Nothing is posted where nothing is due.
            (number is not null).ShouldBe(
                due[at].Count > 0,
                $"{Codes[at]} through {through:yyyy-MM-dd}\n{_models[at]}"
            );
            if (number is null)
                continue;
            _deed++;
            (var from, _at) = (_at, at);
            var net = due[at].Values.Sum();
            var document = Add(number, 'L', _today, _today, net + Model.Tax(net));
            Model.Charges.Add((document, _today, through, due[at]));
            charged.Add((at, document));
            _at = from;
        }

        _runs.Add((run, through, charged));
    }

    private void ReverseRun()
    {
        if (_runs.Count == 0)
            throw None();
        var chosen = _runs[^1];
        // Accounts on which something builds on it keep theirs.
        As(tx => RunDesk.Reverse(tx, chosen.Run, "run through the wrong day"));
        foreach (var (at, document) in chosen.Charged)
        {
            var back = _books.Read(c =>
                c.ExecuteScalar<bool>(
                    "SELECT EXISTS (SELECT 1 FROM document d JOIN entry r ON r.reverses = d.entry_id WHERE d.number = @Number)",
                    new { document.Number }
                )
            );
            var n = _models[at].Charges.FindIndex(c => c.Document == document);
            if (!back || n < 0)
                continue;
            document.Changes.Add(new(document.Date, _today, -document.Opened, 1_000_000));
            _models[at].Charges.RemoveAt(n);
        }

        _runs.RemoveAt(_runs.Count - 1);
    }

    // All cheques that wait go onto one slip, of whatever account they are.
    private void Slip()
    {
        var waiting = _books.Read(c => BatchDesk.Waiting(c, 0, 1000)).ToList();
        if (waiting.Count == 0)
            throw None();
        var some = waiting.Where(_ => _random.Next(3) > 0).DefaultIfEmpty(waiting[0]).ToList();
        var slip = As(tx => BatchDesk.Make(tx, "OWN-1", _today, [.. some.Select(r => r.Posting)]));
        _slips.Add((slip.Id, [.. some.Select(r => r.Number)]));
        if (_random.Next(2) == 0)
            return;
        // One comes off again and waits.
        var off = some[_random.Next(some.Count)];
        As(tx => SlipDesk.Change(tx, slip.Id, [off.Posting], [], "not in the envelope"));
        _slips[^1].Receipts.Remove(off.Number);
    }

    // A slip is what the bank will show of it: its receipts less those that were reversed.
    private void CompareSlips(string at)
    {
        foreach (var (id, receipts) in _slips)
        {
            var slip = _books.Read(c => BatchDesk.Get(c, id));
            slip.Expected.Minor.ShouldBe(
                _models
                    .SelectMany(m => m.Receipts)
                    .Where(r => receipts.Contains(r.Document.Number) && r.Undone is null)
                    .Sum(r => -r.Document.Opened),
                at
            );
        }
    }

    private void Amend()
    {
        var of = Any([.. Model.Documents.Where(d => d.Kind == 'I' && d.Left > 0)]) ?? throw None();
        var (text, steps, net) = _random.Next(3) switch
        {
            0 => ("n/30", Array.Empty<(int Percent, int Days)>(), 30),
            1 => ("4/20 n/25", [(4, 20)], 25),
            _ => ("2/5 n/10", [(2, 5)], 10),
        };
        var from = _random.Next(2) == 0 ? _today : of.Date.AddDays(_random.Next(1, 30));
        var document = _books.Read(c =>
            c.ExecuteScalar<long>("SELECT id FROM document WHERE number = @Number", new { of.Number })
        );
        var effect = As(tx =>
            new AmendmentDesk(_items).Post(tx, document, _ => new(from, text, null, "agreed by telephone"))
        );
        of.Offers.Add(
            new(
                from,
                _today,
                of.Date.AddDays(net),
                [
                    .. steps.Select(s =>
                        (of.Date.AddDays(s.Days), Model.Round((System.Numerics.BigInteger)of.Opened * s.Percent, 100))
                    ),
                ]
            )
        );
        _amendments.Add((_at, effect.EntryId, of));
    }

    private void ReverseAmendment()
    {
        var mine = _amendments.Where(a => a.At == _at).ToList();
        if (mine.Count == 0)
            throw None();
        var (at, entry, of) = mine[_random.Next(mine.Count)];
        As(tx => ReversalDesk.Post(tx, entry, "it was another invoice"));
        of.Offers.Last(o => o.Until is null).Until = _today;
        _amendments.Remove((at, entry, of));
    }
}
