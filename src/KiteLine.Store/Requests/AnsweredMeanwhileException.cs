using System.Security.Cryptography;

namespace KiteLine.Store;

/// <summary>The request was carried out by another call between looking for it and writing.</summary>
public sealed class AnsweredMeanwhileException : Exception
{
    /// <summary>The request was carried out by somebody else who sent the same.</summary>
    public AnsweredMeanwhileException()
        : base("This request was carried out meanwhile.") { }
}
