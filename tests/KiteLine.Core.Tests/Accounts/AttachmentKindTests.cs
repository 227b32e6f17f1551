using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class AttachmentKindTests
{
    private static readonly byte[] Pdf = "%PDF-1.7 and more"u8.ToArray();

    [Fact]
    public void A_file_is_what_its_content_says_and_its_name_must_agree()
    {
        AttachmentKind.Of("terms.PDF", Pdf).ShouldBe(new AttachmentKind("application/pdf", null));
        AttachmentKind.Of("list.csv", "a;b"u8).MediaType.ShouldBe("text/csv");
        AttachmentKind.Of("terms.png", Pdf).Problem.ShouldNotBeNull().ShouldContain(".png");
        AttachmentKind.Of("list.txt", [65, 0, 66]).Problem.ShouldNotBeNull().ShouldContain(".txt");
        AttachmentKind.Of("page.html", "<script>"u8).Problem.ShouldNotBeNull().ShouldContain(".html");
        AttachmentKind.Of("terms", Pdf).Problem.ShouldNotBeNull();
        AttachmentKind.Of("empty.txt", []).Problem.ShouldBe("The file is empty.");
        AttachmentKind
            .Of("large.txt", new byte[AttachmentKind.MaxBytes + 1])
            .Problem.ShouldNotBeNull()
            .ShouldContain("5 MB");
    }

    [Theory]
    [InlineData("../../etc/passwd", "passwd")]
    [InlineData("C:\\papers\\terms.pdf", "terms.pdf")]
    [InlineData("a\"b<c>.txt", "a_b_c_.txt")]
    [InlineData("  .. ", "file")]
    [InlineData("line\r\nbreak.txt", "line__break.txt")]
    public void A_name_keeps_no_folders_and_nothing_that_misleads(string given, string kept) =>
        AttachmentKind.FileName(given).ShouldBe(kept);

    [Fact]
    public void A_name_that_is_too_long_keeps_its_ending() =>
        AttachmentKind.FileName(new string('x', 300) + ".pdf").ShouldBe(new string('x', 100) + ".pdf");
}
