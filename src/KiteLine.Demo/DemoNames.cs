namespace KiteLine.Demo;

/// <summary>Invented customers: a place that does not exist and a trade that buys rope, sailcloth or rigging.</summary>
internal static class DemoNames
{
    private static readonly string[] Places = (
        "Pellworm,Harbourside,Greywater,Tarn,Lantern Street,Northfold,Quillan & Moss,Brackenrigg,Saltpan,Ferryman,Oxbow,Windlass,"
        + "Copperstrand,Mallow Bay,Thornquay,Gannet Point,Eelmarsh,Ravenscar Lane,Silverholt,Underhythe,Kestrel "
        + "Row,Wychling,Bellhaven,"
        + "Orme & Daughters,Pikestaff,Cinderford Quay,Lowtide,Marram,Fenwater,Hollowell,Stormcote,Teasel "
        + "Green,Ashlode,Barrowmere,"
        + "Cutterhead,Drumlin,Ebbstone,Fiddlers Reach,Gorsebank,Heronsgate,Inchmoor,Jackdaw "
        + "Hill,Kelpie,Longshore,Merrow,Nettlecombe,"
        + "Osprey Lane,Pebblecross,Quernmore Edge,Redshank,Sandhopper,Tidewrack,Umberleigh Cross,Vellum Street,Whimbrel,Yarrowby,"
        + "Zennick,Alderfleet,Bittern & Sons,Cormorant,Dunlin Court,Estuary,Foulmire,Gullwing,Hawser Lane,Islefield,Juniper Bank,"
        + "Knotted Oak,Lapwing,Moorhen,Nightjar,Otterbourne Lock,Plover,Quayside,Rushmere Bank,Spindrift,Turnstone,Upwell,"
        + "Vane & Tackle,Wagtail,Yewbarrow,Anchor Street,Bollard & Byrne,Capstan"
    ).Split(',');

    private static readonly string[] Trades =
    [
        "Sail Loft",
        "Marquee Hire",
        "Rigging Co",
        "Outdoor Centres",
        "Theatre",
        "Playgrounds",
        "Boatyard",
        "Climbing Walls",
        "Fisheries",
        "Event Canvas",
        "Arboriculture",
        "Shipwrights",
    ];

    private static readonly string[] Owners = ["R. Adeyemi", "M. Lindqvist", "T. Okafor", "S. Brandt"];

    internal const int Count = 84;

    internal static string Name(int i) => $"{Places[i]} {Trades[i % Trades.Length]}";

    internal static string Owner(int i) => Owners[i % Owners.Length];

    internal static string Address(int i) =>
        $"{3 + (i * 7 % 90)} {Places[(i * 5 + 11) % Count]} Road\nHarrowmouth HX{1 + (i % 9)} {1 + (i % 8)}QA";

    internal static string Email(int i) =>
        $"accounts@{new string([.. Places[i].ToLowerInvariant().Where(char.IsAsciiLetter)])}.example";
}
