namespace KiteLine.Core;

/// <summary>What a company-defined field holds.</summary>
public enum CustomerFieldKind
{
    /// <summary>Any text.</summary>
    Text,

    /// <summary>A number, with a point for its decimals.</summary>
    Number,

    /// <summary>A day, ISO 8601.</summary>
    Date,

    /// <summary>One of the choices of the field.</summary>
    Choice,
}
