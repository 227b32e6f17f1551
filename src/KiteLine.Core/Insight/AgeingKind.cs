namespace KiteLine.Core;

/// <summary>By what an ageing adds up accounts.</summary>
public enum AgeingKind
{
    /// <summary>Each by itself.</summary>
    Account,

    /// <summary>By the group that an account names itself.</summary>
    Group,

    /// <summary>By who looks after it.</summary>
    Owner,

    /// <summary>By the group of accounts whose receivables account its balances stand on.</summary>
    ControlGroup,

    /// <summary>By the company's kinds of customers.</summary>
    CustomerType,

    /// <summary>By its terms.</summary>
    Terms,

    /// <summary>By the currency alone.</summary>
    Currency,

    /// <summary>By a field of the company's own.</summary>
    Field,
}
