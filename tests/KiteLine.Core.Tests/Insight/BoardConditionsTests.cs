using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class BoardConditionsTests
{
    // 80.00 of a limit of 100.00, all of it ten days overdue; reviewed by 1 April; region Estuary.
    private static readonly AccountPosition Position = AccountPosition.On(
        new()
        {
            Id = 7,
            Code = "A",
            Name = "A",
            Currency = Given.Gbp,
            Owner = "Ada",
            Fields = new Dictionary<string, string> { ["region"] = "Estuary" },
            Limits = [new(DateOnly.MinValue, Given.Pounds(100), ReviewOn: Given.Day("2026-04-01"))],
            Items = [new(ItemKind.Invoice, Given.Day("2026-02-01"), Given.Day("2026-03-06"), 8_000, 0, 1)],
            Movements = [new(Given.Day("2026-02-01"), 8_000)],
            Promises = [new(1, Given.Day("2026-03-10"), Given.Day("2026-03-20"), 5_000)],
        },
        Given.Day("2026-03-16"),
        Given.Positions()
    );

    public static TheoryData<BoardConditions, bool> Conditions =>
        new()
        {
            { new(), true },
            {
                new() { Owner = "ADA" },
                true
            },
            {
                new() { Owner = "Bea" },
                false
            },
            {
                new() { Members = new HashSet<long> { 7 } },
                true
            },
            {
                new() { Members = new HashSet<long>() },
                false
            },
            {
                new() { States = new HashSet<AccountState> { AccountState.Open } },
                true
            },
            {
                new() { States = new HashSet<AccountState> { AccountState.Stop } },
                false
            },
            {
                new() { UtilisationFrom = 80, UtilisationTo = 80 },
                true
            },
            {
                new() { UtilisationFrom = 80.01m },
                false
            },
            {
                new() { UtilisationTo = 79.99m },
                false
            },
            {
                new() { OverdueFrom = 80 },
                true
            },
            {
                new() { OverdueFrom = 80.01m },
                false
            },
            {
                new() { AgeFrom = 10 },
                true
            },
            {
                new() { AgeFrom = 11 },
                false
            },
            {
                new() { ReviewBy = Given.Day("2026-04-01") },
                true
            },
            {
                new() { ReviewBy = Given.Day("2026-03-31") },
                false
            },
            {
                new() { Promise = PromiseState.Waiting },
                true
            },
            {
                new() { Promise = PromiseState.Broken },
                false
            },
            {
                new() { Field = ("region", "estuary") },
                true
            },
            {
                new() { Field = ("region", "Hill") },
                false
            },
            {
                new() { Field = ("colour", "red") },
                false
            },
            {
                new() { Owner = "Ada", AgeFrom = 11 },
                false
            },
        };

    [Theory]
    [MemberData(nameof(Conditions))]
    public void All_that_is_given_must_hold(BoardConditions conditions, bool holds) =>
        conditions.Holds(Position).ShouldBe(holds);
}
