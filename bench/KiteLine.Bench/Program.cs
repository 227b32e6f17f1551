using System.CommandLine;
using KiteLine.Bench;

var accounts = new Option<int>("--accounts")
{
    DefaultValueFactory = _ => 100_000,
    Description = "Accounts of the large book",
};
var items = new Option<int>("--items")
{
    DefaultValueFactory = _ => 1_000_000,
    Description = "Open items of the large book",
};
var output = new Option<string?>("--write") { Description = "Also write the table to this file" };
var server = new Option<string?>("--server")
{
    Description = "The published server; the one built beside this otherwise",
};
var core = new Option<bool>("--core") { Description = "Micro-benchmarks of the core instead" };
var root = new RootCommand("Measures Kite Line beside yardsticks in the same run")
{
    accounts,
    items,
    output,
    server,
    core,
};
root.SetAction(p =>
{
    if (p.GetValue(core))
    {
        BenchmarkDotNet.Running.BenchmarkRunner.Run<CoreBenchmarks>();
        return;
    }

    var text = new WholeBook(p.GetValue(accounts), p.GetValue(items), p.GetValue(server)).Run();
    Console.WriteLine(text);
    if (p.GetValue(output) is { } file)
        File.WriteAllText(file, text);
});
return root.Parse(args).Invoke();
