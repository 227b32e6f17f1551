using System.CommandLine;
using KiteLine.Demo;
using KiteLine.Store;
using KiteLine.Web;

var data = new Option<string?>("--data") { Description = "Folder of the data (KITELINE_DATA, or ./data)" };
var port = new Option<int?>("--port") { Description = "Port on 127.0.0.1 (KITELINE_PORT, or 5080)" };
var frontEnd = new Option<string?>("--front-end") { Description = "Folder of the built front end", Hidden = true };
var root = new RootCommand("Kite Line: credit limits, terms, late charges and reminders for a company's customers");

var ofDemoToo = new Option<bool>("--demo") { Description = "Work on the demo's books" };
var fresh = new Option<bool>("--fresh") { Description = "Start the demo anew" };
var prepare = new Option<bool>("--prepare")
{
    Description = "Make the demo's books and stop, so that a start finds them",
};
var demo = new Command("demo", "Serve the demo company") { data, port, frontEnd, fresh, prepare };
demo.SetAction(
    (p, stop) =>
        CommandGuard.Run(async () =>
        {
            using var books = DataFolder.OpenDemo(
                DataFolder.Path(p.GetValue(data)),
                p.GetValue(fresh),
                Console.WriteLine
            );
            return p.GetValue(prepare)
                ? 0
                : await ServeCommand.Run(books, true, p.GetValue(port), p.GetValue(frontEnd), stop);
        })
);
root.Add(demo);

var businessDate = new Option<string?>("--business-date")
{
    Description = "Pins the business date of these books until it is moved, for training and tests (year-month-day)",
};
var hosts = new Option<string[]>("--host")
{
    Description = "A name by which this program is reached, beside this machine's own (KITELINE_HOSTS)",
};
var proxies = new Option<string[]>("--proxy")
{
    Description = "The address of a proxy that ends TLS in front of it (KITELINE_PROXIES)",
};
var serve = new Command("serve", "Serve the company in the data folder")
{
    data,
    port,
    frontEnd,
    businessDate,
    hosts,
    proxies,
};
serve.SetAction(
    (p, stop) =>
        CommandGuard.Run(async () =>
        {
            using var books = DataFolder.OpenCompany(DataFolder.Path(p.GetValue(data)));
            BusinessDate.Pin(books, p.GetValue(businessDate));
            return await ServeCommand.Run(
                books,
                false,
                p.GetValue(port),
                p.GetValue(frontEnd),
                stop,
                Reachable.Of(p.GetValue(hosts), p.GetValue(proxies))
            );
        })
);
root.Add(serve);

var folder = new Argument<string>("folder")
{
    Description = "Holds customers.csv, open-items.csv or bank-accounts.csv",
};
var dryRun = new Option<bool>("--dry-run") { Description = "Check everything and store nothing" };
var acceptGood = new Option<bool>("--accept-good") { Description = "Store the good rows even when others are refused" };
var import = new Command("import", "Bring customers and open items into the books")
{
    folder,
    data,
    dryRun,
    acceptGood,
    businessDate,
};
import.SetAction(
    (p, _) =>
        CommandGuard.Run(() =>
        {
            var from = p.GetValue(folder)!;
            var command = new ImportCommand(Console.Out, Console.Error);
            // An unusable call leaves no data folder behind.
            if (!Directory.Exists(from))
                return Task.FromResult(command.Run(from, null!, false, false));
            using var books = DataFolder.OpenCompany(DataFolder.Path(p.GetValue(data)));
            if (!p.GetValue(dryRun))
                BusinessDate.Pin(books, p.GetValue(businessDate));
            return Task.FromResult(command.Run(from, books, p.GetValue(dryRun), p.GetValue(acceptGood)));
        })
);
root.Add(import);

var documentFiles = new Argument<string[]>("files")
{
    Description = "Electronic invoices and credit notes (UBL 2.1)",
    Arity = ArgumentArity.OneOrMore,
};
var documents = new Command("documents", "Bring electronic invoices and credit notes into the books")
{
    documentFiles,
    data,
    dryRun,
    businessDate,
};
documents.SetAction(
    (p, _) =>
        CommandGuard.Run(() =>
        {
            using var books = DataFolder.OpenCompany(DataFolder.Path(p.GetValue(data)));
            if (!p.GetValue(dryRun))
                BusinessDate.Pin(books, p.GetValue(businessDate));
            var command = new DocumentsCommand(Console.Error, Console.Out);
            return Task.FromResult(command.Run(p.GetValue(documentFiles)!, books, p.GetValue(dryRun)));
        })
);
root.Add(documents);

var statementFiles = new Argument<string[]>("files")
{
    Description = "Bank statements (camt.053)",
    Arity = ArgumentArity.OneOrMore,
};
var postCertain = new Option<bool>("--post-certain") { Description = "Post what is certain; the rest waits" };
var bank = new Command("bank", "Bring bank statements into the books")
{
    statementFiles,
    data,
    dryRun,
    postCertain,
    businessDate,
};
bank.SetAction(
    (p, _) =>
        CommandGuard.Run(() =>
        {
            using var books = DataFolder.OpenCompany(DataFolder.Path(p.GetValue(data)));
            if (!p.GetValue(dryRun))
                BusinessDate.Pin(books, p.GetValue(businessDate));
            var command = new BankCommand(Console.Error, Console.Out);
            return Task.FromResult(
                command.Run(p.GetValue(statementFiles)!, books, p.GetValue(dryRun), p.GetValue(postCertain))
            );
        })
);
root.Add(bank);

var through = new Option<string?>("--through") { Description = "The last day charged; the business date otherwise" };
var runDate = new Option<string?>("--date")
{
    Description = "The day that the letters bear; the business date otherwise",
};
var only = new Option<string?>("--accounts")
{
    Description = "Codes of the accounts, separated by commas; all otherwise",
};
var post = new Option<bool>("--post") { Description = "Post it; without, nothing is stored" };
var send = new Option<bool>("--send") { Description = "Put the documents into the outbox" };
var run = new Command("run", "Propose or post late charges or reminders of many accounts");
var lateCharges = new Command("late-charges", "Raise what has accrued")
{
    through,
    only,
    post,
    send,
    data,
    ofDemoToo,
    businessDate,
};
lateCharges.SetAction((p, _) => Runs(p, KiteLine.Core.RunKind.LateCharges, p.GetValue(through)));
var remind = new Command("reminders", "Issue the reminders that are due")
{
    runDate,
    only,
    post,
    send,
    data,
    ofDemoToo,
    businessDate,
};
remind.SetAction((p, _) => Runs(p, KiteLine.Core.RunKind.Reminders, p.GetValue(runDate)));
run.Add(lateCharges);
run.Add(remind);
root.Add(run);

var statementsFrom = new Option<string?>("--from") { Description = "The first day; the first of the month otherwise" };
var statementsTo = new Option<string?>("--to") { Description = "The last day; the business date otherwise" };
var statementsOut = new Option<string>("--out")
{
    Description = "The folder that they are written to",
    Required = true,
};
var statementsFormat = new Option<string?>("--format") { Description = "pdf, ubl, csv or xlsx; pdf otherwise" };
var statements = new Command("statements", "Write statements of account into a folder, one file each")
{
    statementsFrom,
    statementsTo,
    only,
    statementsOut,
    statementsFormat,
    data,
    ofDemoToo,
};
statements.SetAction(
    (p, _) =>
        CommandGuard.Run(() =>
        {
            using var books = DataFolder.OpenExisting(DataFolder.Path(p.GetValue(data)), p.GetValue(ofDemoToo));
            using var desk = new Desk(books, false);
            return Task.FromResult(
                new StatementsCommand(Console.Error, Console.Out, desk).Run(
                    p.GetValue(statementsFrom),
                    p.GetValue(statementsTo),
                    p.GetValue(only),
                    p.GetValue(statementsOut)!,
                    p.GetValue(statementsFormat)
                )
            );
        })
);
root.Add(statements);

Task<int> Runs(ParseResult p, KiteLine.Core.RunKind kind, string? day) =>
    CommandGuard.Run(() =>
    {
        using var books = DataFolder.OpenExisting(DataFolder.Path(p.GetValue(data)), p.GetValue(ofDemoToo));
        if (p.GetValue(post))
            BusinessDate.Pin(books, p.GetValue(businessDate));
        using var desk = new Desk(books, false);
        var command = new RunCommand(Console.Error, Console.Out, desk);
        return Task.FromResult(
            command.Run(kind, day, p.GetValue(businessDate), p.GetValue(only), p.GetValue(post), p.GetValue(send))
        );
    });

var ofDemo = new Option<bool>("--demo") { Description = "Check the demo's books" };
var head = new Option<string?>("--head")
{
    Description = "A head of the seals that was printed before: it must still stand among them",
};
var verify = new Command("verify", "Recompute everything in the books and name each row that is off")
{
    data,
    ofDemo,
    head,
};
verify.SetAction(
    (p, _) =>
        CommandGuard.Run(() =>
        {
            var path = Path.Combine(DataFolder.Path(p.GetValue(data)), p.GetValue(ofDemo) ? "demo" : "", "books.db");
            if (!File.Exists(path))
                throw new NotThereException("file", path);
            using var books = Books.Open(path);
            var off = books.Read(c => Verifier.Check(c, p.GetValue(head)));
            foreach (var row in off)
                Console.WriteLine(row);
            Console.WriteLine(off.Count == 0 ? "The books are sound." : $"{off.Count} rows are off.");
            if (off.Count == 0)
                LastVerified.Note(path, DateTimeOffset.UtcNow);
            Console.WriteLine($"Head of the seals: {books.Read(Backup.Head).Head}");
            Console.WriteLine(
                $"What is older than {books.Read(Backup.SealedAnew)} was sealed as it was found then, when the books were "
                    + "made or brought up to date."
            );
            return Task.FromResult(off.Count == 0 ? 0 : 1);
        })
);
root.Add(verify);

var toFile = new Argument<string>("file") { Description = "Where to write it" };
var backup = new Command("backup", "Copy the books as they stand, also while they are served, and verify the copy")
{
    toFile,
    data,
    ofDemo,
};
backup.SetAction(
    (p, _) =>
        CommandGuard.Run(() =>
        {
            using var books = DataFolder.OpenThere(DataFolder.Path(p.GetValue(data)), p.GetValue(ofDemo));
            Told(Backup.Write(books, p.GetValue(toFile)!));
            return Task.FromResult(0);
        })
);
root.Add(backup);

var fromFile = new Argument<string>("file") { Description = "The backup" };
var overNewer = new Option<bool>("--over-newer")
{
    Description = "Also where the books in the folder have seen more; they are kept aside",
};
var restore = new Command("restore", "Put a backup in the place of the books in the data folder")
{
    fromFile,
    data,
    overNewer,
};
restore.SetAction(
    (p, _) =>
        CommandGuard.Run(() =>
        {
            Told(Backup.Restore(p.GetValue(fromFile)!, DataFolder.Path(p.GetValue(data)), p.GetValue(overNewer)));
            return Task.FromResult(0);
        })
);
root.Add(restore);

var keyName = new Argument<string>("name") { Description = "Which program will use the key" };
var keyRole = new Option<string>("--role")
{
    DefaultValueFactory = _ => "viewer",
    Description = "viewer, controller or manager",
};
var key = new Command("key", "Make a key by which another program calls, and print it")
{
    keyName,
    keyRole,
    data,
    ofDemo,
};
key.SetAction(
    (p, _) =>
        CommandGuard.Run(() =>
        {
            using var books = DataFolder.OpenExisting(DataFolder.Path(p.GetValue(data)), p.GetValue(ofDemo));
            if (!Enum.TryParse<KiteLine.Core.Role>(p.GetValue(keyRole), ignoreCase: true, out var role))
                throw new KiteLine.Core.RefusedException("role", "The role is viewer, controller or manager.");
            Console.WriteLine(
                books.Write("command line", tx => ApiKeyStore.Make(tx, p.GetValue(keyName)!, role)).Secret
            );
            return Task.FromResult(0);
        })
);
root.Add(key);

var accounts = new Option<int>("--accounts") { DefaultValueFactory = _ => 1000, Description = "How many accounts" };
var items = new Option<int>("--items") { DefaultValueFactory = _ => 10_000, Description = "How many open items" };
var generate = new Command("generate", "Write a made-up book of any size as files for the import")
{
    folder,
    accounts,
    items,
};
generate.SetAction(p =>
{
    LargeBook.Write(p.GetValue(folder)!, p.GetValue(accounts), p.GetValue(items), new DateOnly(2026, 3, 16));
    return 0;
});
root.Add(generate);

var file = new Argument<string>("file") { Description = "Where to write it" };
var openApi = new Command("openapi", "Write the description of the interface") { file };
openApi.SetAction(
    (p, _) =>
        CommandGuard.Run(async () =>
        {
            await File.WriteAllTextAsync(p.GetValue(file)!, await OpenApiDocument.TextAsync());
            return 0;
        })
);
root.Add(openApi);

var parsed = root.Parse(args);

// A call that cannot be understood is told apart from one that was refused.
if (parsed.Errors.Count > 0)
{
    await parsed.InvokeAsync();
    return 2;
}

return await parsed.InvokeAsync();

// One object for a scheduler to read.
static void Told(BackupFacts facts) =>
    Console.WriteLine(System.Text.Json.JsonSerializer.Serialize(facts, System.Text.Json.JsonSerializerOptions.Web));
