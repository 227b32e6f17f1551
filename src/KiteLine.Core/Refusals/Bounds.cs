namespace KiteLine.Core;

/// <summary>
/// How large what comes in may be, whatever way it comes in: request, file or command line. Each bound lies well above
/// what the work needs, and low enough that what stays within it is done at once.
/// </summary>
public static class Bounds
{
    /// <summary>Characters of a template for a letter, an invoice text or a subject: four printed pages.</summary>
    public const int Template = 10_000;

    /// <summary>Characters of one tag of a template: the longest sensible condition is a fifth of it.</summary>
    public const int TemplateTag = 500;

    /// <summary>Tags of a template: each field twenty times over.</summary>
    public const int TemplateTags = 200;

    /// <summary>Blocks of a template within each other; a parser goes one call deeper for each.</summary>
    public const int TemplateDepth = 8;

    /// <summary>Brackets and filters in one tag; a parser goes one call deeper for each.</summary>
    public const int TemplateChain = 10;

    /// <summary>Statements that filling a template carries out: every tag for each of the most rows of a list.</summary>
    public const int TemplateSteps = 5_000;

    /// <summary>Characters that a template keeps under a name; joined in a loop, they would double each time.</summary>
    public const int TemplateValue = 2_000;

    /// <summary>Characters that a filled template has: a letter of eight printed pages.</summary>
    public const int FilledTemplate = 20_000;

    /// <summary>Characters of a text of one line: a name, a number, a reference, a telephone.</summary>
    public const int Line = 200;

    /// <summary>Characters of a calendar file: a hundred years of holidays in six languages.</summary>
    public const int CalendarFile = 1_000_000;

    /// <summary>Components of a calendar file within each other: calendar, event, alarm, and one to spare.</summary>
    public const int CalendarDepth = 4;

    /// <summary>All-day events of a calendar file: a hundred years of twenty holidays.</summary>
    public const int CalendarEvents = 2_000;

    /// <summary>Characters of a rule of recurrence: every day of the month by name fits in.</summary>
    public const int CalendarRule = 500;

    /// <summary>Days on end that are one holiday: a year, such as a yard that is closed.</summary>
    public const int HolidayDays = 366;

    /// <summary>Days off that a calendar file gives: every day of the twenty years that are asked for at most, thrice
    /// over.</summary>
    public const int CalendarDays = 22_000;

    /// <summary>Steps that all events of a file together take from their beginning to the last day asked for: a hundred
    /// weekly ones over a hundred years, twice over. They take about a second.</summary>
    public const long CalendarWork = 1_000_000;

    /// <summary>Steps from one time of an event to the next; a leap day takes eight years at most.</summary>
    public const int CalendarSteps = 5_000;

    /// <summary>The largest amount, in major units of any currency: a million millions. What one account
    /// holds of such is bounded by <see cref="AccountBounds"/>.</summary>
    public const decimal Amount = 1_000_000_000_000;

    /// <summary>Bytes of a table that is brought in: customers of a book of 100,000 with all their fields.</summary>
    public const int TableFile = 64 * 1024 * 1024;

    /// <summary>Bytes of one document, such as an order: thousands of lines.</summary>
    public const int DocumentFile = 16 * 1024 * 1024;

    /// <summary>Bytes of a file of bank statements: fifty thousand payments.</summary>
    public const int StatementFile = 128 * 1024 * 1024;

    /// <summary>Bytes of a table of rates: every currency for every day of ten years.</summary>
    public const int RatesFile = 4 * 1024 * 1024;

    /// <summary>Elements of an XML file within each other; a business document goes about ten deep.</summary>
    public const int XmlDepth = 100;

    /// <summary>Bytes that a workbook unpacks to; a table of <see cref="SheetRows"/> takes about half of it.</summary>
    public const long UnpackedWorkbook = 400 * 1024 * 1024;

    /// <summary>Rows of a table, header included: twice the customers of the largest book.</summary>
    public const int SheetRows = 200_000;

    /// <summary>Columns of a table: a policy with a hundred bands has about four hundred.</summary>
    public const int SheetColumns = 500;

    /// <summary>Cells that a sheet may span without holding anything, whatever it holds.</summary>
    public const long SheetEmptyCells = 500_000;

    /// <summary>Cells that a sheet may span for each that it holds; customers have most of their columns empty.</summary>
    public const long SheetCellsPerValue = 50;

    /// <summary>Characters of a cell: what spreadsheet programs allow.</summary>
    public const int Cell = 32_767;

    /// <summary>Characters of a table's header: <see cref="SheetColumns"/> long names.</summary>
    public const int SheetHeader = SheetColumns * Line;

    /// <summary>Fields within each other that a column's name goes through, such as <c>levels[0].fee.amount</c>.</summary>
    public const int ColumnDepth = 6;

    /// <summary>Entries of a list in a request or a record, where a shorter bound does not hold.</summary>
    public const int List = 500;

    /// <summary>Lines of an invoice or credit note: twenty printed pages.</summary>
    public const int DocumentLines = 500;

    /// <summary>Lines of what a payer wrote: a page.</summary>
    public const int RemittanceLines = 60;

    /// <summary>Deliveries of one order.</summary>
    public const int Deliveries = 200;

    /// <summary>Characters of a field of the company's own, and of an address.</summary>
    public const int FieldValue = 500;

    /// <summary>Characters of a note or of what a call was about: a printed page and a half.</summary>
    public const int Note = 4_000;

    /// <summary>Bytes of the picture at the head of what is printed, as it is stored.</summary>
    public const int LetterheadPicture = 500_000;

    /// <summary>Characters of a subject, and of a shorthand of terms with lines for electronic invoices.</summary>
    public const int LongLine = 1_000;

    /// <summary>Rates of a table by date: half-yearly ones for a hundred years.</summary>
    public const int Rates = 200;

    /// <summary>Bands of a rate or fee. With <see cref="Rates"/> and <see cref="Movements"/> they are what the segments
    /// of one charge are made of.</summary>
    public const int Bands = 20;

    /// <summary>Movements of one item in the calculator.</summary>
    public const int Movements = 500;

    /// <summary>Open items that one receipt is looked for among: ten years of daily deliveries.</summary>
    public const int OpenItems = 5_000;

    /// <summary>Months of a period that is measured: ten years.</summary>
    public const int Months = 120;

    /// <summary>Accounts that a change names, and items that a posting names.</summary>
    public const int Named = 20_000;

    /// <summary>Instalments of terms: monthly for ten years.</summary>
    public const int Instalments = 120;

    /// <summary>Days of a holiday calendar that is kept: twenty years of a hundred days.</summary>
    public const int Holidays = 2_000;

    /// <summary>Files kept with one account: contracts, orders and letters of ten years.</summary>
    public const int Attachments = 200;

    /// <summary>Pages of a list; with the largest pages they reach beyond the largest book and count within 32
    /// bits.</summary>
    public const int Pages = 1_000_000;

    /// <summary>Problems that one answer lists; who has more mends these first.</summary>
    public const int ProblemsTold = 100;

    /// <summary>Bytes of a request that is no file: the most accounts named at once, or a calendar file.</summary>
    public const int Request = 2 * 1024 * 1024;
}
