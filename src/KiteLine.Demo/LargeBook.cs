using System.Globalization;
using System.Text;

namespace KiteLine.Demo;

/// <summary>Writes a made-up book of any size as the files of an import.</summary>
public static class LargeBook
{
    private static readonly string[] Terms = ["2/10 n/30", "n/30", "n/45", "3/7, 1/14 n/45", "n/30 EOM"];

    /// <summary>
    /// Writes <c>customers.csv</c> and <c>open-items.csv</c> into a folder. The same seed gives the same files.
    /// </summary>
    /// <param name="today">The day before which documents are dated, by up to 150 days.</param>
    public static void Write(string folder, int accounts, int items, DateOnly today, int seed = 7)
    {
        Directory.CreateDirectory(folder);
        var random = new Random(seed);
        using (var customers = Open("customers.csv"))
        {
            customers.WriteLine("code,name,currency,terms,limit,state");
            for (var i = 1; i <= accounts; i++)
            {
                var state =
                    random.Next(50) == 0 ? "stop"
                    : random.Next(20) == 0 ? "watch"
                    : "open";
                customers.WriteLine(
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"C{i:D6},{Word(random)} {Word(random)} "
                            + $"{i},GBP,{Quoted(Terms[random.Next(Terms.Length)])},{random.Next(2, 60) * 1000}.00,{state}"
                    )
                );
            }
        }

        using var open = Open("open-items.csv");
        open.WriteLine("account,document,type,date,due,net,tax,amount,open,terms,reference");
        for (var i = 1; i <= items; i++)
        {
            var account = 1 + random.Next(accounts);
            var kind = random.Next(25) switch
            {
                0 => "credit",
                1 => "receipt",
                _ => "invoice",
            };
            var date = today.AddDays(-random.Next(0, 150));
            var due = kind == "invoice" ? date.AddDays(random.Next(3) * 15 + 15) : date;
            var net = random.Next(500, 200_000);
            var tax = kind == "receipt" ? 0 : (int)Math.Round(net * 0.2, MidpointRounding.AwayFromZero);
            var part = random.Next(8) == 0 ? Math.Max(1, (net + tax) / 3) : net + tax;
            open.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"C{account:D6},D{i:D8},{kind},{date:yyyy-MM-dd},{due:yyyy-MM-dd},"
                        + $"{net / 100m:F2},{tax / 100m:F2},{(net + tax) / 100m:F2},{part / 100m:F2},,"
                )
            );
        }

        StreamWriter Open(string name) => new(Path.Combine(folder, name), false, new UTF8Encoding(false), 1 << 16);
    }

    private static string Quoted(string text) => text.Contains(',', StringComparison.Ordinal) ? $"\"{text}\"" : text;

    private static string Word(Random random)
    {
        const string Consonants = "bcdfghklmnprstvw",
            Vowels = "aeiou";
        var word = new StringBuilder();
        for (var i = 0; i < 3; i++)
            word.Append(Consonants[random.Next(Consonants.Length)]).Append(Vowels[random.Next(Vowels.Length)]);
        word[0] = char.ToUpperInvariant(word[0]);
        return word.ToString();
    }
}
