namespace KiteLine.Core;

/// <summary>What a company-defined field holds.</summary>
public enum CustomerFieldKind
{
    Text,
    Number,
    Date,
    Choice,
}
