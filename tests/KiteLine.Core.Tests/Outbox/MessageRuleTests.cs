using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>What may be done about a message, and where it goes.</summary>
public sealed class MessageRuleTests
{
    [Fact]
    public void Waits_grow_to_half_a_day_and_end_after_the_seventh_try()
    {
        var waits = Enumerable.Range(1, 8).Select(MessageRule.WaitAfter).ToArray();
        waits.Select(w => w?.TotalMinutes).ShouldBe([1, 5, 15, 60, 240, 720, null, null]);
        MessageRule.MostTries.ShouldBe(7);
        Should.Throw<ArgumentOutOfRangeException>(() => MessageRule.WaitAfter(0));
    }

    [Theory]
    [InlineData(MessageState.Waiting, MessageAct.Hold, Delivery.Email, MessageState.Held)]
    [InlineData(MessageState.Held, MessageAct.Release, Delivery.Email, MessageState.Waiting)]
    [InlineData(MessageState.Held, MessageAct.Release, Delivery.Print, MessageState.ToPrint)]
    [InlineData(MessageState.Failed, MessageAct.TryAgain, Delivery.Email, MessageState.Waiting)]
    [InlineData(MessageState.Unsure, MessageAct.TryAgain, Delivery.Email, MessageState.Waiting)]
    [InlineData(MessageState.Unsure, MessageAct.Arrived, Delivery.Email, MessageState.Sent)]
    [InlineData(MessageState.ToPrint, MessageAct.Printed, Delivery.Print, MessageState.Printed)]
    [InlineData(MessageState.Failed, MessageAct.Withdraw, Delivery.Email, MessageState.Withdrawn)]
    public void An_act_leaves_a_state(MessageState before, MessageAct act, Delivery delivery, MessageState after) =>
        MessageRule.After(before, act, delivery).ShouldBe(after);

    [Fact]
    public void What_went_out_or_is_going_out_stays_as_it_is()
    {
        foreach (
            var state in new[] { MessageState.Sending, MessageState.Sent, MessageState.Printed, MessageState.Withdrawn }
        )
        foreach (var act in Enum.GetValues<MessageAct>())
            Should
                .Throw<RefusedException>(() => MessageRule.After(state, act, Delivery.Email))
                .Problems.ShouldHaveSingleItem()
                .Field.ShouldBe("act");
    }

    [Theory]
    [InlineData("", true, 0)]
    [InlineData("a@b.example", true, 1)]
    [InlineData("a@b.example; c@d.example,A@B.EXAMPLE", true, 2)]
    [InlineData(" ; ", true, 0)]
    [InlineData("a@b.example c@d.example", false, 1)]
    [InlineData("nobody", false, 1)]
    [InlineData("a@b.example\r\nBcc: x@y.example", false, 1)]
    public void Addresses_are_parted_by_semicolons_or_commas(string text, bool sound, int count)
    {
        EmailAddresses.AreSound(text).ShouldBe(sound);
        EmailAddresses.Of(text).Count.ShouldBe(count);
    }

    [Fact]
    public void Ten_addresses_are_as_many_as_there_may_be()
    {
        static string Some(int n) => string.Join(';', Enumerable.Range(1, n).Select(i => $"a{i}@b.example"));
        EmailAddresses.AreSound(Some(10)).ShouldBeTrue();
        EmailAddresses.AreSound(Some(11)).ShouldBeFalse();
    }

    [Fact]
    public void Each_purpose_goes_to_its_own_address_or_to_that_of_the_account()
    {
        var profile = new CustomerProfile { EmailReminders = "dunning@c.example", EmailStatements = "books@c.example" };
        Recipients.For(MessagePurpose.Reminder, "a@c.example", profile).ShouldBe(["dunning@c.example"]);
        Recipients.For(MessagePurpose.Receipt, "a@c.example", profile).ShouldBe(["books@c.example"]);
        Recipients.For(MessagePurpose.Invoice, "a@c.example", profile).ShouldBe(["a@c.example"]);
        Recipients.For(MessagePurpose.Reminder, "a@c.example", new()).ShouldBe(["a@c.example"]);
    }

    [Fact]
    public void A_mail_server_is_reached_by_its_name_a_port_and_a_sender()
    {
        static string[] Wrong(MailSettings mail) => [.. mail.Problems().Select(p => p.Field)];
        Wrong(new()).ShouldBeEmpty();
        Wrong(new("mail.ours.example", SenderAddress: "a@ours.example")).ShouldBeEmpty();
        Wrong(new("mail.ours.example")).ShouldBe(["mail.senderAddress"]);
        Wrong(new("mail ours", 0, SenderAddress: "a")).ShouldBe(["mail.host", "mail.port", "mail.senderAddress"]);
        Wrong(new("m", 25, MailSecurity.None, "me", SenderAddress: "a@ours.example")).ShouldBe(["mail.security"]);
    }
}
