namespace KiteLine.Core;

/// <summary>
/// What relaxes a credit check takes the authority that the check would have asked for. Otherwise somebody who may not
/// release an order lets it pass by another way.
/// </summary>
public static class RelaxedChecks
{
    // Without them, orders of any size pass that the limit would have held.
    private static readonly CheckFinding[] OfLimit = [CheckFinding.OverLimit, CheckFinding.GroupOverLimit];

    /// <summary>Refuses responses that are laxer than before without authority to release.</summary>
    /// <param name="at">The path of the responses in the request, with a point at its end.</param>
    /// <exception cref="RefusedException">A response to the limit is laxer, and the authority is not without bound; or
    /// another is, and there is none. Names each field.</exception>
    public static void RefuseWithoutAuthority(
        CheckResponses before,
        CheckResponses after,
        Authority authority,
        string at = "responses."
    )
    {
        ArgumentNullException.ThrowIfNull(before);
        ArgumentNullException.ThrowIfNull(after);
        ArgumentNullException.ThrowIfNull(authority);
        var problems = new List<(string, string)>();
        foreach (var finding in Enum.GetValues<CheckFinding>().Where(f => after.To(f) < before.To(f)))
            if (OfLimit.Contains(finding) ? authority.Release is not null : authority.Release == 0)
                problems.Add(
                    (
                        Field(finding),
                        OfLimit.Contains(finding)
                            ? "Orders of any size would pass; that takes authority to release without bound."
                            : "Orders would pass that are held now; that takes authority to release."
                    )
                );
        if (authority.Release == 0 && after.OverdueDays > before.OverdueDays)
            problems.Add(("overdueDays", "Overdue would be found later; that takes authority to release."));
        if (authority.Release == 0 && after.OverdueAmount > before.OverdueAmount)
            problems.Add(("overdueAmount", "Less would be found overdue; that takes authority to release."));
        RefusedException.ThrowIfAny(problems, at);
    }

    /// <summary>Refuses to lift what holds orders by itself: a stop, or a promise that was broken.</summary>
    /// <param name="response">What the account's check does about it.</param>
    /// <exception cref="RefusedException">Orders are refused for it, and there is no authority to release; names the
    /// field.</exception>
    public static void RefuseLifting(CheckResponse response, Authority authority, string field)
    {
        ArgumentNullException.ThrowIfNull(authority);
        if (response == CheckResponse.Refuse && authority.Release == 0)
            throw new RefusedException(
                field,
                "Orders are refused as it stands; letting them pass takes authority to release. Ask somebody who has it."
            );
    }

    private static string Field(CheckFinding finding)
    {
        var name = finding.ToString();
        return char.ToLowerInvariant(name[0]) + name[1..];
    }
}
