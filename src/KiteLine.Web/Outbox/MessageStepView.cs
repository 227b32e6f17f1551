using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record MessageStepView(MessageState State, string Detail, string MadeBy, string At);
