using System.Net;
using System.Net.Http.Headers;
using Shouldly;
using SkiaSharp;
using UglyToad.PdfPig;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>The picture at the head of what is printed.</summary>
public sealed class LetterheadTests : IDisposable
{
    private readonly OneAccountApp _app = new();

    public void Dispose() => _app.Dispose();

    private static byte[] Picture(int width, int height, SKEncodedImageFormat format)
    {
        using var bitmap = new SKBitmap(width, height);
        bitmap.Erase(SKColors.Teal);
        using var data = bitmap.Encode(format, 90);
        return data.ToArray();
    }

    private async Task<HttpStatusCode> Send(byte[] file)
    {
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue("image/png");
        using var response = await _app.Client.PostAsync(new Uri("/api/company/letterhead", UriKind.Relative), content);
        return response.StatusCode;
    }

    private async Task<int> PicturesOnAnInvoice()
    {
        await _app.Post("/api/accounts/PEL01/invoices", new { net = "10", tax = "0" });
        var id = (await _app.Get("/api/accounts/PEL01/documents")).GetProperty("items")[0].GetProperty("id").GetInt64();
        var pdf = await _app.Client.GetByteArrayAsync(new Uri($"/api/documents/{id}/pdf", UriKind.Relative));
        using var document = PdfDocument.Open(pdf);
        return document.GetPages().Sum(p => p.GetImages().Count());
    }

    [Theory]
    [InlineData(SKEncodedImageFormat.Png)]
    [InlineData(SKEncodedImageFormat.Jpeg)]
    public async Task It_is_printed_from_now_on_no_larger_than_needed_until_it_is_taken_away(
        SKEncodedImageFormat format
    )
    {
        (await PicturesOnAnInvoice()).ShouldBe(0);
        (await Send(Picture(1600, 400, format))).ShouldBe(HttpStatusCode.OK);
        (await _app.Get("/api/company")).GetProperty("hasLetterhead").GetBoolean().ShouldBeTrue();
        var kept = await _app.Client.GetByteArrayAsync(new Uri("/api/company/letterhead", UriKind.Relative));
        using (var codec = SKCodec.Create(new MemoryStream(kept)))
            (codec.EncodedFormat, codec.Info.Width, codec.Info.Height).ShouldBe((SKEncodedImageFormat.Png, 800, 200));
        (await PicturesOnAnInvoice()).ShouldBe(1);
        (await _app.Post("/api/company/letterhead/remove", new { })).Status.ShouldBe(200);
        (await PicturesOnAnInvoice()).ShouldBe(0);
        (await _app.Refused("/api/company/letterhead/remove", new { })).ShouldBe(["file"]);
        using var gone = await _app.Client.GetAsync(new Uri("/api/company/letterhead", UriKind.Relative));
        gone.StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task What_is_no_picture_or_a_boundless_one_is_refused()
    {
        (await Send("hello"u8.ToArray())).ShouldBe(HttpStatusCode.BadRequest);
        (await Send([])).ShouldBe(HttpStatusCode.BadRequest);
        (await Send(Picture(40, 40, SKEncodedImageFormat.Webp))).ShouldBe(HttpStatusCode.BadRequest);
        // Little to send, very much to read: 10,000 by 10,000 points of one colour.
        (await Send(Picture(10_000, 10_000, SKEncodedImageFormat.Png))).ShouldBe(HttpStatusCode.BadRequest);
        // Cut off in the middle.
        var whole = Picture(400, 400, SKEncodedImageFormat.Png);
        (await Send(whole[..(whole.Length / 2)])).ShouldBe(HttpStatusCode.BadRequest);
        (await Send(new byte[2_000_001])).ShouldBe(HttpStatusCode.BadRequest);
        (await _app.Get("/api/company")).GetProperty("hasLetterhead").GetBoolean().ShouldBeFalse();
    }
}
