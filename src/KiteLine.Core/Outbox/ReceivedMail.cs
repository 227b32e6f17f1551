namespace KiteLine.Core;

/// <summary>A message that arrived at the simulated mail server.</summary>
/// <param name="Name">Of the file that keeps it.</param>
/// <param name="To">The addresses that it was taken for.</param>
public sealed record ReceivedMail(string Name, DateTimeOffset At, IReadOnlyList<string> To, string Subject, long Size);
