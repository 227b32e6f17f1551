using System.Globalization;
using System.Text.Json;

namespace KiteLine.Web.Tests;

/// <summary>Reads values out of answers.</summary>
internal static class Reading
{
    internal static string Text(JsonElement of, string name) => of.GetProperty(name).ToString();

    internal static decimal Number(JsonElement of, string name) =>
        decimal.Parse(of.GetProperty(name).GetString()!, CultureInfo.InvariantCulture);
}
