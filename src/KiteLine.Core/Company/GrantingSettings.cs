namespace KiteLine.Core;

/// <summary>
/// Settings of the company that grant something to every account at once, measured by the authority of who changes
/// them. A key has none, so it changes none of them.
/// </summary>
public static class GrantingSettings
{
    /// <summary>Refuses what grants more than before beyond an authority; names each field of the settings.</summary>
    /// <exception cref="RefusedException">The standard limit, the short-pay allowance, the usual responses, or what
    /// counts towards exposure is more generous than the authority reaches.</exception>
    public static void RefuseWithoutAuthority(CompanySettings before, CompanySettings after, Authority authority)
    {
        ArgumentNullException.ThrowIfNull(before);
        ArgumentNullException.ThrowIfNull(after);
        ArgumentNullException.ThrowIfNull(authority);
        RefusedException.ThrowIfAny([.. Limit(before, after, authority), .. Allowance(before, after, authority)]);
        RefusedException.ThrowIfAny(Exposure(before, after, authority));
        RelaxedChecks.RefuseWithoutAuthority(
            before.Defaults.Responses ?? new(),
            after.Defaults.Responses ?? new(),
            authority,
            "defaultResponses."
        );
    }

    private static IEnumerable<(string, string)> Limit(
        CompanySettings before,
        CompanySettings after,
        Authority authority
    )
    {
        if (after.Defaults.Limit > before.Defaults.Limit && !Authority.Covers(authority.Limit, after.Defaults.Limit))
            yield return ("defaultLimit", "This limit for new customers lies above your authority.");
    }

    private static IEnumerable<(string, string)> Allowance(
        CompanySettings before,
        CompanySettings after,
        Authority authority
    )
    {
        const string Above = "Writing off as much lies above your authority.";
        var (was, now) = (before.Allowance, after.Allowance);
        if (now.Amount > was.Amount && !Authority.Covers(authority.WriteOff, now.Amount))
            yield return ("allowanceAmount", Above);
        if (now.Percent > was.Percent && !Authority.Covers(authority.WriteOff, now.Amount))
            yield return ("allowancePercent", Above);
        // Amounts in other currencies have no rate that will still hold when they are used.
        foreach (var (code, amount) in now.InOtherCurrencies ?? new Dictionary<string, decimal>())
            if (
                amount > (was.InOtherCurrencies?.GetValueOrDefault(code) ?? 0)
                && authority.WriteOff is { } most
                && (most == 0 || amount > most)
            )
                yield return ($"allowanceInOtherCurrencies.{code}", Above);
    }

    // Whatever is no longer counted lets every account order more.
    private static IEnumerable<(string, string)> Exposure(
        CompanySettings before,
        CompanySettings after,
        Authority authority
    )
    {
        if (authority.Release is null)
            yield break;
        const string Less = "Every account would be found less exposed; that takes authority to release without bound.";
        var (was, now) = (before.Exposure, after.Exposure);
        if (now.CreditsReduce && !was.CreditsReduce)
            yield return ("creditsReduceExposure", Less);
        if (!now.ChargesCount && was.ChargesCount)
            yield return ("chargesCount", Less);
        if (!now.DisputedCount && was.DisputedCount)
            yield return ("disputedCount", Less);
        if (!now.UnclearedCount && was.UnclearedCount)
            yield return ("unclearedCount", Less);
        foreach (var method in after.PaymentMethods)
            if (before.PaymentMethods.FirstOrDefault(m => m.Code == method.Code)?.ClearingDays > method.ClearingDays)
                yield return ("paymentMethods", Less);
    }
}
