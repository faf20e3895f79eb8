using HomeStart.Web.Startup;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.FileProviders;

namespace HomeStart.Web.Tests;

/// <summary>The page names the programs of the address that is asked for, and no others.</summary>
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
        Page(path).ShouldBe($"<head><meta content=\"n1\">{string.Concat(links)}</head>");
    }

    [Fact]
    public void Without_a_list_of_programs_the_page_is_as_it_is() =>
        Page("/start").ShouldBe("<head><meta content=\"n1\"></head>");

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private string? Page(string path)
    {
        Write("index.html", "<head><meta content=\"__NONCE__\"></head>");
        using var files = new PhysicalFileProvider(_folder);
        return new ClientPage(new Served(files)).For("n1", new PathString(path));
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
