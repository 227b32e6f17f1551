using KiteLine.Store;
using Microsoft.AspNetCore.OpenApi;

namespace KiteLine.Web;

/// <summary>The description of the interface as a text, the same as is served.</summary>
internal static class OpenApiDocument
{
    internal static async Task<string> TextAsync()
    {
        var folder = Directory.CreateTempSubdirectory("kiteline-openapi");
        try
        {
            using var books = DataFolder.OpenCompany(folder.FullName);
            using var desk = new Desk(books, false);
            await using var app = WebApp.Build(desk, null);
            app.Urls.Add("http://127.0.0.1:0");
            await app.StartAsync();
            using var client = new HttpClient { BaseAddress = new Uri(app.Urls.First()) };
            return await client.GetStringAsync(new Uri("/openapi/v1.json", UriKind.Relative)) + "\n";
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }
}
