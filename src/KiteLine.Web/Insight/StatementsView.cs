namespace KiteLine.Web;

/// <param name="Accounts">How many accounts were looked at.</param>
/// <param name="ByEmail">Statements that go by e-mail.</param>
/// <param name="ToPrint">Statements that are to be printed.</param>
/// <param name="Nothing">Accounts on which nothing moved and nothing is open: they get none.</param>
/// <param name="Already">Accounts whose statement of this period was put into the outbox before: they get no second.</param>
internal sealed record StatementsView(
    DateOnly From,
    DateOnly To,
    int Accounts,
    int ByEmail,
    int ToPrint,
    int Nothing,
    int Already
);
