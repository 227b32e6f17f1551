using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="To">Whom the account was handed to.</param>
internal sealed record CollectionView(DateOnly From, CollectionKind Kind, string To);
