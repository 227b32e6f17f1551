namespace KiteLine.Core;

/// <summary>What a company decides once for all its accounts.</summary>
public sealed record CompanySettings
{
    /// <summary>As it is printed on documents.</summary>
    public string Name { get; init; } = "New company";

    /// <summary>The lines of the address printed on letters.</summary>
    public IReadOnlyList<string> Address { get; init; } = [];

    /// <summary>Lines at the foot of letters: where to pay to, or whom to call.</summary>
    public IReadOnlyList<string> LetterFoot { get; init; } = [];

    /// <summary>ISO 4217; fixed once something is posted.</summary>
    public string BaseCurrency { get; init; } = "GBP";

    /// <summary>The IANA time zone whose calendar day is the business date while none is fixed.</summary>
    public string TimeZone { get; init; } = "UTC";

    /// <summary>A fixed business date, or null to follow the calendar.</summary>
    public DateOnly? PinnedBusinessDate { get; init; }

    /// <summary>
    /// The business date on which a manager ended setting up: since then credits from before the books are measured by
    /// authority. Null while it goes on.
    /// </summary>
    public DateOnly? SettingUpEndedOn { get; init; }

    /// <summary>Nothing is posted on or before this date; null while no period is closed.</summary>
    public DateOnly? ClosedThrough { get; init; }

    /// <summary>What becomes of half a minor unit.</summary>
    public RoundingRule Rounding { get; init; }

    /// <summary>Code of the holiday calendar by which due dates move; null for weekends alone.</summary>
    public string? Calendar { get; init; }

    /// <summary>From when on terms bring a warning.</summary>
    public TermsLimits TermsLimits { get; init; } = new();

    /// <summary>What counts towards exposure now.</summary>
    public ExposureSettings Exposure { get; init; } = new();

    /// <summary>
    /// Every rule of exposure with the day from which it held, the present one last; empty while it was never changed.
    /// </summary>
    public IReadOnlyList<ExposureRule> ExposureRules { get; init; } = [];

    /// <summary>A rate of exchange that is older than this many days is no rate of the day.</summary>
    public int OldestRate { get; init; } = 7;

    /// <summary>Suggested limits take this share of a customer's net worth, in percent.</summary>
    public decimal NetWorthShare { get; init; } = 10;

    /// <summary>What money costs the company a year, in percent.</summary>
    public decimal CostOfCapital { get; init; } = 8;

    /// <summary>A limit that is granted is to be looked at again after this many months; 0 for never.</summary>
    public int ReviewMonths { get; init; } = 12;

    /// <summary>What is asked for and not answered expires after this many days.</summary>
    public int RequestDays { get; init; } = 14;

    /// <summary>The last day of each ageing bucket but the first and the last.</summary>
    public IReadOnlyList<int> AgeingUpTo { get; init; } = [30, 60, 90];

    /// <summary>Age counts from the invoice date; otherwise from the due date.</summary>
    public bool AgeByInvoiceDate { get; init; }

    /// <summary>How short a payment may be for the rest to be written off.</summary>
    public ShortPayAllowance Allowance { get; init; } = new(5, 1);

    /// <summary>A settlement discount reduces output tax by its share.</summary>
    public bool AdjustTaxOnDiscount { get; init; } = true;

    /// <summary>What new customers start with.</summary>
    public NewCustomerSettings Defaults { get; init; } = new();

    /// <summary>The ways in which customers pay, in the order in which the company uses them.</summary>
    public IReadOnlyList<PaymentMethod> PaymentMethods { get; init; } =
    [new("TRANSFER", "Bank transfer"), new("CHEQUE", "Cheque", 5), new("CARD", "Card", 2), new("CASH", "Cash")];

    /// <summary>Groups of customers with receivables accounts of their own.</summary>
    public IReadOnlyList<ControlGroup> ControlGroups { get; init; } = [];

    /// <summary>Fields that the company adds to its customers.</summary>
    public IReadOnlyList<CustomerField> CustomerFields { get; init; } = [];

    /// <summary>Runs that are proposed by themselves.</summary>
    public IReadOnlyList<RunSchedule> RunSchedules { get; init; } = [];

    /// <summary>What the company writes in its e-mails; what is missing is written as usual.</summary>
    public IReadOnlyList<MessageTemplate> MessageTexts { get; init; } = [];

    /// <summary>How messages go out by e-mail.</summary>
    public MailSettings Mail { get; init; } = new();

    /// <summary>How documents are numbered; a series that is missing is numbered as usual.</summary>
    public IReadOnlyDictionary<DocumentSeries, DocumentNumbering> Numbering { get; init; } = DocumentNumbering.Usual;

    /// <summary>The company's account number for each purpose.</summary>
    public IReadOnlyDictionary<PostingPurpose, string> PostingAccounts { get; init; } =
        new Dictionary<PostingPurpose, string>
        {
            [PostingPurpose.Receivables] = "1100",
            [PostingPurpose.CashOnAccount] = "1150",
            [PostingPurpose.Bank] = "1200",
            [PostingPurpose.RefundsInTransit] = "1250",
            [PostingPurpose.OutputTax] = "2200",
            [PostingPurpose.OpeningBalances] = "3900",
            [PostingPurpose.Sales] = "4000",
            [PostingPurpose.DiscountsAllowed] = "4900",
            [PostingPurpose.LateChargeIncome] = "4910",
            [PostingPurpose.FeeIncome] = "4920",
            [PostingPurpose.SmallDifferences] = "7900",
        };

    /// <summary>What counted towards exposure on a day.</summary>
    public ExposureSettings ExposureOn(DateOnly day) =>
        Dated.InForce(ExposureRules, r => r.From, day)?.Settings ?? Exposure;

    /// <summary>
    /// The same settings with another rule of exposure from a business date on; days before keep theirs.
    /// </summary>
    public CompanySettings WithExposure(ExposureSettings exposure, DateOnly from)
    {
        if (exposure == Exposure)
            return this;
        IReadOnlyList<ExposureRule> before =
            ExposureRules.Count > 0 ? ExposureRules : [new(DateOnly.MinValue, Exposure)];
        return this with { Exposure = exposure, ExposureRules = [.. before, new(from, exposure)] };
    }

    /// <summary>How a series is numbered.</summary>
    public DocumentNumbering NumberingOf(DocumentSeries series) =>
        Numbering.GetValueOrDefault(series) ?? DocumentNumbering.Usual[series];

    /// <summary>The account number a line for a customer of this control group goes to.</summary>
    public string AccountFor(PostingPurpose purpose, string controlGroup) =>
        (
            purpose == PostingPurpose.Receivables
                ? ControlGroups.FirstOrDefault(g => g.Code == controlGroup)?.Account
                : null
        )
        ?? PostingAccounts.GetValueOrDefault(purpose)
        // Where the company gives it no number of its own.
        ?? (
            purpose switch
            {
                PostingPurpose.UnassignedReceipts => PostingAccounts.GetValueOrDefault(PostingPurpose.CashOnAccount),
                PostingPurpose.BadDebts => PostingAccounts.GetValueOrDefault(PostingPurpose.SmallDifferences),
                PostingPurpose.RefundsInTransit => PostingAccounts.GetValueOrDefault(PostingPurpose.Bank),
                _ => null,
            }
        )
        ?? "";

    /// <summary>The ageing buckets by this company's basis.</summary>
    public AgeingBuckets Buckets() => AgeingBuckets.Of(AgeingUpTo, AgeByInvoiceDate);
}
