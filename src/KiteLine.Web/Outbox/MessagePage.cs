namespace KiteLine.Web;

/// <param name="Waiting">How many wait to be sent, of all.</param>
/// <param name="ToPrint">How many wait to be printed.</param>
/// <param name="Failed">How many need somebody: they failed, or nobody knows whether they went out.</param>
/// <param name="Server">Where e-mail goes; null where no mail server is set up, so that it waits.</param>
internal sealed record MessagePage(
    long Total,
    long Waiting,
    long ToPrint,
    long Failed,
    string? Server,
    IReadOnlyList<MessageRowView> Items
);
