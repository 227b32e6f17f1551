using Dapper;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>Verifying names every guard that is gone and everything that was put in beside them.</summary>
public sealed class SchemaCheckTests : IDisposable
{
    private readonly TestBooks _books = new();

    public void Dispose() => _books.Dispose();

    private IReadOnlyList<string> After(string sql)
    {
        using (var connection = new SqliteConnection($"Data Source={_books.Books.Path};Pooling=False"))
        {
            connection.Open();
            connection.Execute(sql);
        }

        return _books.Books.Read(Verifier.Check);
    }

    [Fact]
    public void Books_as_they_are_made_are_sound() => _books.Books.Read(Verifier.Check).ShouldBeEmpty();

    [Theory]
    [InlineData("DROP TRIGGER document_no_update", "trigger document_no_update is missing")]
    [InlineData("DROP INDEX document_texts_inserted", "index document_texts_inserted is missing")]
    [InlineData(
        "DROP TRIGGER audit_no_delete; CREATE TRIGGER audit_no_delete BEFORE DELETE ON audit BEGIN SELECT 1; END",
        "trigger audit_no_delete is not as this program makes it"
    )]
    [InlineData(
        "CREATE TRIGGER helpful AFTER INSERT ON limit_change BEGIN SELECT 1; END",
        "trigger helpful is none of this program's"
    )]
    [InlineData("ALTER TABLE account ADD COLUMN secret TEXT", "table account is not as this program makes it")]
    public void A_guard_that_is_gone_or_put_in_is_named(string sql, string told) =>
        After(sql).ShouldContain(row => row.Contains(told, StringComparison.Ordinal));
}
