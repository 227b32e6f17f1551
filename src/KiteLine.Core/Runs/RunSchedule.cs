namespace KiteLine.Core;

/// <summary>A run that is proposed by itself.</summary>
/// <param name="Number">With weekly the day, 1 for Monday to 5 for Friday; with monthly which business day of the month, from 1
/// to 20; nothing with daily.</param>
/// <param name="Post">Whether it is posted too, without anybody having read it.</param>
/// <param name="Send">Whether what it posts goes out to the customers.</param>
public sealed record RunSchedule(RunKind Kind, RunRhythm Rhythm, int Number, bool Post, bool Send)
{
    /// <summary>The most schedules that a company has.</summary>
    public const int Most = 10;

    /// <summary>When it is proposed.</summary>
    public RunTiming Timing => new(Rhythm, Number);

    /// <summary>What it proposes and when, in words: "Reminders, weekly on Monday".</summary>
    public string Words => $"{(Kind == RunKind.Reminders ? "Reminders" : "Late charges")}, {Timing.Words}";
}
