using System.Data;
using System.Globalization;
using Dapper;
using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>How values of the core are written to columns and read back.</summary>
internal static class Columns
{
    private static readonly Lock Gate = new();
    private static bool _registered;

    internal static void Register()
    {
        lock (Gate)
        {
            if (_registered)
                return;
            Connections.Prepare();
            SqlMapper.AddTypeHandler(new DateHandler());
            SqlMapper.AddTypeHandler(new CurrencyHandler());
            SqlMapper.AddTypeHandler(new ProfileHandler());
            SqlMapper.AddTypeHandler(new AuthorityHandler());
            DefaultTypeMap.MatchNamesWithUnderscores = true;
            _registered = true;
        }
    }

    internal static string Text(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    /// <summary>Reads an ISO date without the cost of a general parser; a whole book has millions.</summary>
    internal static DateOnly Date(string text) =>
        new(
            ((((((text[0] - '0') * 10) + text[1] - '0') * 10) + text[2] - '0') * 10) + text[3] - '0',
            ((text[5] - '0') * 10) + text[6] - '0',
            ((text[8] - '0') * 10) + text[9] - '0'
        );

    /// <summary>As <see cref="Date(string)"/>, from the text as it is stored.</summary>
    internal static DateOnly Date(ReadOnlySpan<byte> utf8) =>
        new(
            ((((((utf8[0] - '0') * 10) + utf8[1] - '0') * 10) + utf8[2] - '0') * 10) + utf8[3] - '0',
            ((utf8[5] - '0') * 10) + utf8[6] - '0',
            ((utf8[8] - '0') * 10) + utf8[9] - '0'
        );

    internal static DateOnly? OptionalDate(string? text) => text is null ? null : Date(text);

    private sealed class DateHandler : SqlMapper.TypeHandler<DateOnly>
    {
        public override DateOnly Parse(object value) => Date((string)value);

        public override void SetValue(IDbDataParameter parameter, DateOnly value) => parameter.Value = Text(value);
    }

    private sealed class ProfileHandler : SqlMapper.TypeHandler<CustomerProfile>
    {
        public override CustomerProfile? Parse(object value) => Json.Read<CustomerProfile>((string)value);

        public override void SetValue(IDbDataParameter parameter, CustomerProfile? value) =>
            parameter.Value = Json.Write(value);
    }

    private sealed class AuthorityHandler : SqlMapper.TypeHandler<Authority>
    {
        public override Authority? Parse(object value) => Json.Read<Authority>((string)value);

        public override void SetValue(IDbDataParameter parameter, Authority? value) =>
            parameter.Value = Json.Write(value);
    }

    private sealed class CurrencyHandler : SqlMapper.TypeHandler<Currency>
    {
        public override Currency? Parse(object value) => Currency.Of((string)value);

        public override void SetValue(IDbDataParameter parameter, Currency? value) => parameter.Value = value?.Code;
    }
}
