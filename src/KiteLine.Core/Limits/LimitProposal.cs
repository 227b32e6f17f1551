namespace KiteLine.Core;

/// <summary>A limit or an uplift as somebody wants it.</summary>
/// <param name="Amount">In minor units.</param>
/// <param name="Until">The last day of an uplift; null for a standing limit.</param>
/// <param name="Insured">The part that an insurer covers, in minor units.</param>
/// <param name="Security">What security is held, in words.</param>
public sealed record LimitProposal(
    long Amount,
    DateOnly From,
    DateOnly? Until,
    string Reason,
    LimitSource Source = LimitSource.OwnAssessment,
    long Insured = 0,
    string Security = "",
    long SecurityAmount = 0,
    DateOnly? ReviewOn = null
)
{
    /// <summary>Whether it has an end.</summary>
    public bool IsUplift => Kind == LimitKind.Uplift;

    /// <summary>An uplift has an end, a standing limit has none.</summary>
    public LimitKind Kind => Until is null ? LimitKind.Limit : LimitKind.Uplift;
}
