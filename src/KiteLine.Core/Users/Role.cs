namespace KiteLine.Core;

/// <summary>What a user is there for. Each role may do all that the roles before it may.</summary>
public enum Role
{
    /// <summary>Sees everything and changes nothing.</summary>
    Viewer,

    /// <summary>Looks after accounts: orders, limits within the own authority, receipts, charges, reminders.</summary>
    Controller,

    /// <summary>Decides the rules: policies and company settings.</summary>
    Manager,

    /// <summary>Looks after users and keys.</summary>
    Administrator,
}
