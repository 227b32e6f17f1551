using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Reads what somebody asks of a what-if.</summary>
internal static class WhatIfReader
{
    // Longer than any comparison that is made; the work grows with it.
    private const int MostYears = 2;

    internal static WhatIfDefinition Read(WhatIfRequest request, SqliteConnection connection, Desk desk)
    {
        var (book, fields, today) = (desk.Snapshots.Current, new Fields(), desk.Today());
        var (from, to) = (fields.Date("from", request.From), fields.Date("to", request.To));
        if (to > today)
            fields.Bad("to", $"Give {Exactly.Day(today)} or an earlier day; only the past can be replayed.");
        else if (from > to)
            fields.Bad("from", $"Give {Exactly.Day(to)} or an earlier day.");
        else if (from < to.AddYears(-MostYears))
            fields.Bad("from", $"A period has at most {MostYears} years.");
        InsightScope.Read(request.Within, null, to, book, fields);
        var definition = new WhatIfDefinition(
            from,
            to,
            request.Within ?? "",
            Policy<TermsDefinition>("terms", request.Terms, PolicyKind.Terms, "payment terms", connection, fields),
            Policy<LateChargePolicy>(
                "lateCharges",
                request.LateCharges,
                PolicyKind.LateCharge,
                "late-charge policy",
                connection,
                fields
            ),
            Policy<ReminderPlan>(
                "reminders",
                request.Reminders,
                PolicyKind.ReminderPlan,
                "reminder plan",
                connection,
                fields
            ),
            fields.OptionalNumber("limitPercent", request.LimitPercent, 1, 1000, "a percentage such as 80"),
            request.Responses?.Read("responses", fields, new()),
            fields.OptionalNumber("movesFrom", request.MovesFrom, 0, 1000, "a percentage a year such as 20"),
            fields.OptionalNumber("costOfCapital", request.CostOfCapital, 0, 100, "a percentage a year such as 8")
                ?? book.Settings.CostOfCapital
        );
        if (definition.Terms is { } terms && desk.Versions.Terms(connection, terms.Id) is { Instalments.Count: > 1 })
            fields.Bad("terms", "Choose terms without instalments: what was paid at once cannot be replayed in parts.");
        foreach (var (field, message) in definition.Responses?.Problems() ?? [])
            fields.Bad($"responses.{field}", message);
        fields.ThrowIfAny();
        return definition;
    }

    private static NamedVersion? Policy<T>(
        string field,
        string? code,
        string kind,
        string what,
        SqliteConnection connection,
        Fields fields
    )
    {
        if (string.IsNullOrWhiteSpace(code))
            return null;
        if (PolicyStore.Find<T>(connection, kind, code) is { } found)
            return new(found.Id, found.Code);
        fields.Bad(field, $"There is no {what} ‘{code}’.");
        return null;
    }
}
