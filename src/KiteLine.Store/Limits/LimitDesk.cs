using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Grants limits and uplifts within authority, and has the rest approved by a second person.</summary>
public static class LimitDesk
{
    private sealed record Row
    {
        public long Id { get; init; }
        public long? AccountId { get; init; }
        public long? GroupId { get; init; }
        public string? Code { get; init; }
        public string Name { get; init; } = "";
        public Currency Currency { get; init; } = null!;
        public string Proposal { get; init; } = "";
        public long Resulting { get; init; }
        public DateOnly AskedOn { get; init; }
        public DateOnly ExpiresOn { get; init; }
        public string AskedBy { get; init; } = "";
        public string AskedByIdentity { get; init; } = "";
        public long? Outcome { get; init; }
        public string? AnsweredBy { get; init; }
        public string? Answer { get; init; }

        internal LimitRequest ToRequest(DateOnly today) =>
            new(
                Id,
                Code,
                Name,
                GroupId is not null,
                Currency,
                Json.Read<LimitProposal>(Proposal),
                Money.FromMinor(Resulting, Currency),
                AskedOn,
                ExpiresOn,
                AskedBy,
                AskedByIdentity,
                Outcome is { } o ? (RequestState)o
                    : ExpiresOn < today ? RequestState.Expired
                    : RequestState.Asked,
                AnsweredBy ?? "",
                Answer ?? ""
            );

        internal LimitHolder Holder =>
            new(AccountId, GroupId, Name, Currency, GroupId is null ? $"account:{Code}" : $"group:{Name}");
    }

    private const string Select = """
        SELECT r.id, r.account_id, r.group_id, a.code, coalesce(a.name, g.name) name,
            coalesce(a.currency, g.currency) currency, r.proposal, r.resulting,
               r.asked_on, r.expires_on, r.asked_by, r.asked_by_identity, w.outcome, w.made_by answered_by, w.reason answer
        FROM limit_request r LEFT JOIN account a ON a.id = r.account_id LEFT JOIN account_group g ON g.id = r.group_id
        LEFT JOIN limit_request_answer w ON w.request_id = r.id
        """;

    /// <summary>
    /// Sets a limit or uplift; or, when it lies above the authority of who wants it, asks for approval and gives the
    /// request.
    /// </summary>
    /// <exception cref="RefusedException">A field is wrong, or the same was asked for already.</exception>
    public static LimitRequest? Propose(Tx tx, LimitHolder holder, LimitProposal proposal)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(holder);
        ArgumentNullException.ThrowIfNull(proposal);
        LimitStore.Check(tx, holder, proposal);
        var resulting = Resulting(tx, holder, proposal);
        if (Within(tx, holder, proposal))
        {
            LimitStore.Set(tx, holder, proposal);
            return null;
        }

        var today = tx.BusinessDate();
        var open = Open(tx.Connection, today, holder).FirstOrDefault(r => r.Proposal.IsUplift == proposal.IsUplift);
        LimitRequestDecision.RefuseSecond(
            open is null ? null : (open.AskedBy, Money.FromMinor(open.Proposal.Amount, holder.Currency), open.AskedOn)
        );
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO limit_request (account_id, group_id, proposal, resulting, asked_on, expires_on, asked_by,
                asked_by_identity, asked_at)
            VALUES (@AccountId, @GroupId, @proposal, @Minor, @today, @expires, @Who, @Identity, @Now) RETURNING id
            """,
            new
            {
                holder.AccountId,
                holder.GroupId,
                proposal = Json.Write(proposal),
                resulting.Minor,
                today,
                expires = today.AddDays(CompanyStore.Settings(tx.Connection).RequestDays),
                tx.Who,
                tx.Actor.Identity,
                tx.Now,
            }
        );
        Audit.Record(
            tx,
            holder.Subject,
            proposal.IsUplift ? "asked for an uplift" : "asked for a limit",
            Facts(holder, proposal),
            proposal.Reason
        );
        Touch(tx, holder);
        return Get(tx.Connection, id, today);
    }

    /// <summary>
    /// The proposal with the day by which it is to be looked at again, where none was given: after the company's months,
    /// or, where who sets it may not put that off, as it stands.
    /// </summary>
    public static LimitProposal Reviewed(Tx tx, LimitHolder holder, LimitProposal proposal)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(holder);
        ArgumentNullException.ThrowIfNull(proposal);
        var months = CompanyStore.Settings(tx.Connection).ReviewMonths;
        var usual = proposal with { ReviewOn = LimitDecision.ReviewOn(null, proposal.From, months) };
        if (Within(tx, holder, usual))
            return usual;
        var (limits, uplifts) = LimitRows.LimitsOf(tx.Connection, holder);
        var standing = LimitStanding.On(limits, uplifts, proposal.From, tx.BusinessDate()).Change?.ReviewOn;
        var kept = proposal with { ReviewOn = standing };
        return standing >= proposal.From && Within(tx, holder, kept) ? kept : usual;
    }

    /// <summary>
    /// The effective limit a proposal leads to, when that lies above the authority of who makes it; else null.
    /// </summary>
    internal static Money? Exceeds(Tx tx, LimitHolder holder, LimitProposal proposal)
    {
        var resulting = Resulting(tx, holder, proposal);
        return Within(tx, holder, proposal) ? null : resulting;
    }

    /// <summary>Says yes or no to what somebody else asked for.</summary>
    /// <exception cref="RefusedException">One's own request, above one's authority, answered or expired already, or no
    /// longer possible.</exception>
    public static LimitRequest Answer(Tx tx, long id, bool approve, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var (row, request) = StillOpen(tx, id);
        LimitRequestDecision.RefuseAnswer(request.IsOf(tx.Actor), approve, reason);
        if (approve)
        {
            var proposal = request.Proposal with
            {
                From =
                    request.Proposal.From < tx.BusinessDate() && request.Proposal.IsUplift
                        ? tx.BusinessDate()
                        : request.Proposal.From,
            };
            LimitStore.Check(tx, row.Holder, proposal);
            LimitRequestDecision.RefuseApproval(Resulting(tx, row.Holder, proposal), Within(tx, row.Holder, proposal));
            LimitStore.Set(tx, row.Holder, proposal with { Reason = $"{proposal.Reason}; asked by {request.AskedBy}" });
        }

        Close(tx, row, approve ? RequestState.Approved : RequestState.Refused, reason);
        return Get(tx.Connection, id, tx.BusinessDate());
    }

    /// <summary>Takes back what one asked for oneself.</summary>
    public static LimitRequest Withdraw(Tx tx, long id, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var (row, request) = StillOpen(tx, id);
        LimitRequestDecision.RefuseWithdrawal(request.IsOf(tx.Actor), request.AskedBy);
        Close(tx, row, RequestState.Withdrawn, reason);
        return Get(tx.Connection, id, tx.BusinessDate());
    }

    /// <summary>What waits for an answer on a day, oldest first; of one account or group, or of all.</summary>
    public static IReadOnlyList<LimitRequest> Open(
        SqliteConnection connection,
        DateOnly today,
        LimitHolder? of = null
    ) =>
        [
            .. connection
                .Query<Row>(
                    Select
                        + " WHERE w.request_id IS NULL AND r.expires_on >= @today"
                        + (of is null ? "" : $" AND r.{of.Mine}")
                        + " ORDER BY +r.id",
                    new
                    {
                        today,
                        of?.AccountId,
                        of?.GroupId,
                    }
                )
                .Select(r => r.ToRequest(today)),
        ];

    /// <summary>All that was asked for of an account or group, latest first.</summary>
    public static IReadOnlyList<LimitRequest> Of(SqliteConnection connection, LimitHolder holder, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(holder);
        return
        [
            .. connection
                .Query<Row>(
                    Select + $" WHERE r.{holder.Mine} ORDER BY r.id DESC",
                    new { holder.AccountId, holder.GroupId }
                )
                .Select(r => r.ToRequest(today)),
        ];
    }

    private static LimitRequest Get(SqliteConnection connection, long id, DateOnly today) =>
        (
            connection.QuerySingleOrDefault<Row>(Select + " WHERE r.id = @id", new { id })
            ?? throw new NotThereException("request", $"{id}")
        ).ToRequest(today);

    private static (Row Row, LimitRequest Request) StillOpen(Tx tx, long id)
    {
        var row =
            tx.Connection.QuerySingleOrDefault<Row>(Select + " WHERE r.id = @id", new { id })
            ?? throw new NotThereException("request", $"{id}");
        var request = row.ToRequest(tx.BusinessDate());
        LimitRequestDecision.RefuseUnlessOpen(request.State, request.ExpiresOn, request.AnsweredBy);
        return (row, request);
    }

    private static void Close(Tx tx, Row row, RequestState state, string reason)
    {
        tx.Connection.Execute(
            "INSERT INTO limit_request_answer VALUES (@Id, @state, @today, @reason, @Who, @Now)",
            new
            {
                row.Id,
                state,
                today = tx.BusinessDate(),
                reason = reason.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(
            tx,
            row.Holder.Subject,
            $"request {state.ToString().ToLowerInvariant()}",
            Facts(row.Holder, Json.Read<LimitProposal>(row.Proposal)),
            reason
        );
        Touch(tx, row.Holder);
    }

    private static bool Within(Tx tx, LimitHolder holder, LimitProposal proposal)
    {
        var (limits, uplifts) = LimitRows.LimitsOf(tx.Connection, holder);
        return LimitDecision.Within(proposal, limits, uplifts, holder.Currency, tx.Actor.Authority, tx.Rules());
    }

    private static Money Resulting(Tx tx, LimitHolder holder, LimitProposal proposal)
    {
        var (limits, uplifts) = LimitRows.LimitsOf(tx.Connection, holder);
        return LimitDecision.Resulting(proposal, limits, uplifts, holder.Currency, tx.BusinessDate());
    }

    private static void Touch(Tx tx, LimitHolder holder)
    {
        if (holder.AccountId is { } id)
            tx.Touch(id);
        else
            tx.TouchGroups();
    }

    internal static object Facts(LimitHolder holder, LimitProposal p) =>
        new
        {
            amount = Money.FromMinor(p.Amount, holder.Currency).ToString(),
            p.From,
            p.Until,
            source = p.Source == LimitSource.OwnAssessment ? null : (LimitSource?)p.Source,
            insured = p.Insured == 0 ? null : Money.FromMinor(p.Insured, holder.Currency).ToString(),
            security = p.Security.Length == 0 ? null : p.Security,
            p.ReviewOn,
        };
}
