using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>By which way a message goes, and what becomes of it after it was given to the mail server.</summary>
public sealed class DeliveryDecisionTests
{
    private static readonly string[] Known = ["a@c.example"];

    [Fact]
    public void It_goes_as_it_is_wanted_and_on_paper_where_there_is_no_address()
    {
        var mail = DeliveryDecision.Of(Delivery.Email, null, null, Known);
        (mail.Delivery, mail.To, mail.Note).ShouldBe((Delivery.Email, Known, ""));
        var paper = DeliveryDecision.Of(Delivery.Email, null, null, []);
        (paper.Delivery, paper.To.Count).ShouldBe((Delivery.Print, 0));
        paper.Note.ShouldBe("There is no e-mail address to send it to; it is to be printed.");
        DeliveryDecision.Of(Delivery.Print, null, null, Known).ShouldBe(new(Delivery.Print, [], ""));
    }

    [Fact]
    public void What_is_chosen_for_one_goes_before_and_is_refused_where_it_cannot_be()
    {
        DeliveryDecision.Of(Delivery.Print, Delivery.Email, "b@c.example", Known).To.ShouldBe(["b@c.example"]);
        DeliveryDecision.Of(Delivery.Email, Delivery.Print, null, Known).Delivery.ShouldBe(Delivery.Print);
        static string Refused(Delivery? chosen, string? typed) =>
            Should
                .Throw<RefusedException>(() => DeliveryDecision.Of(Delivery.Email, chosen, typed, []))
                .Problems.ShouldHaveSingleItem()
                .Field;
        Refused(Delivery.Email, null).ShouldBe("recipients");
        Refused(Delivery.Email, "").ShouldBe("recipients");
        Refused(null, "nowhere").ShouldBe("recipients");
    }

    [Theory]
    [InlineData(1, MessageState.Waiting, 1, "busy")]
    [InlineData(6, MessageState.Waiting, 720, "busy")]
    [InlineData(7, MessageState.Failed, null, "Tried 7 times, the last time: busy")]
    public void What_may_be_taken_later_is_tried_again_until_it_was_tried_often_enough(
        int tries,
        MessageState state,
        int? minutes,
        string told
    )
    {
        var decision = SendDecision.Of(new SendOutcome.Later("busy"), tries);
        (decision.State, decision.Wait?.TotalMinutes, decision.Detail).ShouldBe((state, minutes, told));
    }

    [Fact]
    public void What_was_taken_refused_or_is_not_known_is_not_tried_again()
    {
        SendDecision.Of(new SendOutcome.Taken([]), 1).ShouldBe(new(MessageState.Sent, null, ""));
        SendDecision.Of(new SendOutcome.Refused("550 no"), 1).ShouldBe(new(MessageState.Failed, null, "550 no"));
        SendDecision.Of(new SendOutcome.Unsure("gone"), 1).ShouldBe(new(MessageState.Unsure, null, "gone"));
        SendDecision
            .Of(new SendOutcome.Taken(["a@c.example: 550 no", "b@c.example: 551 no"]), 1)
            .Detail.ShouldBe("Not taken for a@c.example: 550 no; b@c.example: 551 no");
    }
}
