using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ExpectedCashView(
    string Account,
    string Name,
    string Currency,
    string Document,
    DateOnly Due,
    DateOnly? On,
    CashCertainty Certainty,
    Money Amount
);
