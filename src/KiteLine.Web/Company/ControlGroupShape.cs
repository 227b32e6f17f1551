using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ControlGroupShape(string? Code, string? Name, string? Account)
{
    internal static ControlGroupShape Of(ControlGroup g) => new(g.Code, g.Name, g.Account);

    internal ControlGroup Read(string at, Fields fields) =>
        new(
            fields.Text($"{at}.code", Code, "the control group's code", 20),
            fields.Text($"{at}.name", Name, "the control group's name", 60),
            fields.Text($"{at}.account", Account, "the receivables account of the control group", 20)
        );
}
