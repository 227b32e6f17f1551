namespace KiteLine.Store;

/// <summary>Somebody else changed a record after it was read. Nothing was stored.</summary>
public sealed class ChangedMeanwhileException(string what)
    : Exception(
        $"{what} were changed by somebody else meanwhile. Your input is kept; compare it with what is stored now and save again."
    );
