using HomeStart.Web.Startup;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.FileProviders;

namespace HomeStart.Web.Tests;

/// <summary>The page names the programs and first answers of the address that is asked for, and no others.</summary>
public sealed class ClientPageTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("home-start-client-").FullName;

    [Theory]
    [InlineData("/start", "start.js")]
    [InlineData("/sites/8f2c/worksheet", "layout.js worksheet.js")]
    [InlineData("/sites/8f2c/orders/51d0", "layout.js placed.js")]
    [InlineData("/sites/8f2c/worksheet/", "layout.js worksheet.js")]
    [InlineData("/sites/8f2c", "")]
    [InlineData("/sites/worksheet", "")]
    [InlineData("/\"><script>", "")]
    [InlineData("/", "")]
    public void An_address_has_its_programs_named(string path, string files)
    {
        Write(
            "programs.json",
            """
            {
              "/start": ["start.js"],
              "/sites/*/worksheet": ["layout.js", "worksheet.js"],
              "/sites/*/orders/*": ["layout.js", "placed.js"]
            }
            """
        );
        var links = files
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .Select(file => $"""<link rel="modulepreload" crossorigin href="/{file}">""");
        Page(path).ShouldBe($"<head><meta content=\"n1\">{string.Concat(links)}{Session}</head>");
    }

    [Theory]
    [InlineData(null, "/api/sites/3e4d6e21-c9a6-0ecd-6268-edf611dd0ccc")]
    [InlineData("", "/api/sites/3e4d6e21-c9a6-0ecd-6268-edf611dd0ccc")]
    [InlineData("B", "/api/sites/3e4d6e21-c9a6-0ecd-6268-edf611dd0ccc?view=B")]
    [InlineData("\"><script>", null)]
    [InlineData("B&view=C", null)]
    public void A_site_is_asked_for_as_the_client_asks(string? view, string? asked) =>
        Page("/sites/3e4d6e21-c9a6-0ecd-6268-edf611dd0ccc/compare", view)
            .ShouldBe($"<head><meta content=\"n1\">{Session}{(asked is null ? "" : Asked(asked))}</head>");

    [Fact]
    public void Without_a_list_of_programs_the_page_is_as_it_is() =>
        Page("/start").ShouldBe($"<head><meta content=\"n1\">{Session}</head>");

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private static string Session => Asked("/api/session");

    private static string Asked(string answer) => $"""<link rel="preload" as="fetch" crossorigin href="{answer}">""";

    private string? Page(string path, string? view = null)
    {
        Write("index.html", "<head><meta content=\"__NONCE__\"></head>");
        using var files = new PhysicalFileProvider(_folder);
        return new ClientPage(new Served(files)).For("n1", new PathString(path), view);
    }

    private void Write(string name, string text) => File.WriteAllText(Path.Combine(_folder, name), text);

    private sealed class Served(IFileProvider files) : IWebHostEnvironment
    {
        public IFileProvider WebRootFileProvider { get; set; } = files;

        public string WebRootPath { get; set; } = "";

        public string ApplicationName { get; set; } = "";

        public IFileProvider ContentRootFileProvider { get; set; } = files;

        public string ContentRootPath { get; set; } = "";

        public string EnvironmentName { get; set; } = "";
    }
}
