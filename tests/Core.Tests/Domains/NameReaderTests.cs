using System.Text.Json;
using CsCheck;
using HomeStart.Formats.Domains;

namespace HomeStart.Core.Tests;

/// <summary>Reading names: a table of what owners type, and what holds of every name that is read.</summary>
public class NameReaderTests
{
    // text, ending beside it: label, ending, mended, problems
    [Theory]
    [InlineData("Ostler & Wren", "com", "ostlerandwren", "com", "joined and", "")]
    [InlineData("  https://www.Ostler-Wren.co.uk/shop?x=1#top ", "com", "ostler-wren", "co.uk", "address", "")]
    [InlineData("www.ostler.com", null, "ostler", "com", "address", "")]
    [InlineData("shop.ostler.com", null, "ostler", "com", "subdomain", "")]
    [InlineData("www.shop.ostler.com.", null, "ostler", "com", "subdomain", "")]
    [InlineData("info@ostler.com", null, "ostler", "com", "address", "")]
    [InlineData("ostler.com:8080", null, "ostler", "com", "address", "")]
    [InlineData("http://ostler/wren", "com", "ostler", "com", "address", "")]
    [InlineData("ostler/wren", "com", "ostlerwren", "com", "joined", "")]
    [InlineData("ostler。com", null, "ostler", "com", "", "")]
    [InlineData("ostler.shop.wren", "com", "shop", "wren", "subdomain", "ending-unknown")]
    [InlineData("co.uk", "com", "", "co.uk", "", "is-an-ending")]
    [InlineData(".com", null, "", "com", "", "is-an-ending")]
    [InlineData("com", "org", "com", "org", "", "")]
    [InlineData("shop.example.ck", null, "shop", "example.ck", "", "")]
    [InlineData("www.ck", null, "www", "ck", "", "")]
    [InlineData("ostler.clockpages.com", null, "clockpages", "com", "subdomain", "")]
    [InlineData("Ostler Wren.com", "org", "ostlerwrencom", "org", "joined", "")]
    [InlineData("Kate's Clocks", "com", "katesclocks", "com", "mark joined", "")]
    [InlineData("clocks!", "com", "clocks", "com", "mark", "")]
    [InlineData("salt+pepper_mill – no/1", "com", "saltandpeppermillno1", "com", "and joined", "")]
    [InlineData("", "com", "", "com", "", "empty")]
    [InlineData("  ", null, "", null, "", "empty")]
    [InlineData("!!!", "com", "", "com", "mark", "empty")]
    [InlineData("-ostler", "com", "-ostler", "com", "", "hyphen-edge")]
    [InlineData("os--tler", "com", "os--tler", "com", "", "hyphen-34")]
    [InlineData("xn--mller-kva", "de", "müller", "de", "", "")]
    [InlineData("xn--a", "de", "xn--a", "de", "", "hyphen-34 not-allowed")]
    [InlineData("Müller", "de", "müller", "de", "", "")]
    [InlineData("müller-", "de", "müller-", "de", "", "hyphen-edge")]
    [InlineData("ＯＳＴＬＥＲ", "com", "ostler", "com", "", "")]
    [InlineData("раypal", "com", "раypal", "com", "", "mixed-scripts")]
    [InlineData("日本カタカナabc", "com", "日本カタカナabc", "com", "", "")]
    [InlineData("한국abc漢", "com", "한국abc漢", "com", "", "")]
    [InlineData("日本한국", "com", "日本한국", "com", "", "")]
    [InlineData("ひらがな한국", "com", "ひらがな한국", "com", "", "mixed-scripts")]
    [InlineData("ost\u200dler\u202e", "com", "ostler", "com", "mark", "")]
    [InlineData("bücher.münchen.bayern", null, "münchen", "bayern", "subdomain", "")]
    [InlineData("clocks.公司.cn", null, "clocks", "xn--55qx5d.cn", "", "")]
    public void Is_read_as(
        string text,
        string? ending,
        string label,
        string? readEnding,
        string mended,
        string problems
    )
    {
        var read = Wire(text, ending);
        (read.Label, read.Ending, string.Join(' ', read.Mended), string.Join(' ', read.Problems)).ShouldBe(
            (label, readEnding, mended, problems)
        );
    }

    [Theory]
    [InlineData("Ostler & Wren", "ostler-wren ostlerwren")]
    [InlineData("ostler and wren", "ostler-and-wren")]
    [InlineData("salt&pepper", "saltpepper")]
    [InlineData("Straße", "strasse")]
    [InlineData("Åse Ærø", "åse-ærø aseaero")]
    [InlineData("Łódź", "lodz")]
    [InlineData("часы", "")]
    [InlineData("ostler", "")]
    [InlineData("a & a", "a-a aa")]
    public void Others_that_would_do(string text, string others) =>
        string.Join(' ', Wire(text, "com").Others).ShouldBe(others);

    [Theory]
    [InlineData("Ostler & Wren", "com", "GB", "long:13")]
    [InlineData("clock-repairs-24", "co.uk", "GB", "long:16 hyphen:2 digit:24")]
    [InlineData("Press Start", "com", "GB", "doubled:ss 5")]
    [InlineData("Pen Island", "com", null, "reads-otherwise:penis land")]
    [InlineData("therapist", "com", "GB", "reads-otherwise:the rapist")]
    [InlineData("wren", "de", "GB", "ending-abroad:de not-com-nor-home:de")]
    [InlineData("wren", "co.uk", "gb", "")]
    [InlineData("wren", "org", "GB", "not-com-nor-home:org")]
    [InlineData("wren", "org", null, "")]
    [InlineData("wren", null, "GB", "")]
    [InlineData("Müller", "de", "DE", "idn:xn--mller-kva")]
    [InlineData("twelveletter", "com", null, "reads-otherwise:twelve letter")]
    public void Advice_with_its_measure(string text, string? ending, string? customersIn, string advice) =>
        string.Join(' ', Wire(text, ending, customersIn).Advice.Select(given => $"{given.Code}:{given.Detail}"))
            .ShouldBe(advice);

    [Theory]
    [InlineData(63, "")]
    [InlineData(64, "too-long")]
    public void A_label_has_room_for_so_many(int length, string problems) =>
        string.Join(' ', Wire(new string('a', length), "com").Problems).ShouldBe(problems);

    [Fact]
    public void A_name_that_is_too_long_in_its_ASCII_form_alone_is_told_so_and_its_form_is_shown()
    {
        var read = Wire(string.Concat(Enumerable.Repeat("üx", 40)), "com");
        read.Problems.ShouldBe(["too-long"]);
        read.Ascii!.ShouldStartWith("xn--");
        read.Ascii!.Length.ShouldBeGreaterThan(63);
        NameData
            .Reader.Read(new string('a', 62), string.Join('.', Enumerable.Repeat(new string('b', 63), 3)), null)
            .Problems.ShouldBe([NameProblem.TooLong]); // 253 in all, with its dot 254.
        NameData
            .Reader.Read(new string('a', 61), string.Join('.', Enumerable.Repeat(new string('b', 63), 3)), null)
            .Problems.ShouldBeEmpty();
    }

    [Fact]
    public void A_letter_under_a_heap_of_marks_is_refused_and_nothing_goes_round_for_ever() =>
        Wire("a" + new string('\u0301', 200), "com").Problems.ShouldBe(["not-allowed"]);

    [Fact]
    public void Reading_what_was_read_changes_nothing_and_its_ASCII_form_leads_back() =>
        Typed.Sample(
            text =>
            {
                var read = Wire(text, "com");
                read.Mended.ShouldBeUnique();
                read.Problems.ShouldBeUnique();
                read.Others.ShouldBeUnique();
                read.Others.ShouldAllBe(other => Wire(other, "com").Problems.Count == 0);
                if (read.Problems.Count > 0)
                {
                    return;
                }

                read.Ascii!.All(letter => char.IsAsciiLetterLower(letter) || char.IsAsciiDigit(letter) || letter == '-')
                    .ShouldBeTrue(text);
                var again = Wire(read.Label, read.Ending);
                (again.Label, again.Ascii, again.Mended.Count).ShouldBe((read.Label, read.Ascii, 0));
                Wire(read.Ascii!, read.Ending).Label.ShouldBe(read.Label);
                DomainName.Parse($"{read.Ascii}.{read.Ending}").ShouldNotBeNull(read.Ascii);
            },
            iter: 3000
        );

    // The runtime refuses these, so they are read back by the decoding of RFC 3492, 6.2.
    [Fact]
    public void The_ASCII_form_of_a_name_that_the_runtime_refuses_leads_back_to_it() =>
        Gen.OneOf(
                Gen.Char['à', 'ö'],
                Gen.Char['a', 'z'],
                Gen.Char['α', 'ω'].Where(letter => letter != 'ς'),
                Gen.Const('漢')
            )
            .Array[1, 30]
            .Select(letters => new string(letters))
            .Where(text => !System.Text.Ascii.IsValid(text))
            .Sample(
                text =>
                {
                    var read = NameData.Reader.Read("-" + text, "com", null);
                    read.Label.ShouldBe("-" + text);
                    Decoded(read.Ascii!).ShouldBe(read.Label);
                },
                iter: 500
            );

    [Theory]
    [InlineData("xn--mller-kva", "müller")]
    [InlineData("xn--wgv71a119e", "日本語")]
    [InlineData("xn--bcher-kva", "bücher")]
    public void What_reads_them_back_reads_what_the_runtime_encodes(string ascii, string label)
    {
        Decoded(ascii).ShouldBe(label);
        new System.Globalization.IdnMapping().GetUnicode(ascii).ShouldBe(label);
    }

    private static string Decoded(string ascii)
    {
        var text = ascii["xn--".Length..];
        var basic = Math.Max(0, text.LastIndexOf('-'));
        var output = text[..basic].Select(letter => (int)letter).ToList();
        var (point, place, bias) = (128, 0, 72);
        for (var at = basic > 0 ? basic + 1 : 0; at < text.Length; )
        {
            var (before, weight) = (place, 1);
            for (var k = 36; ; k += 36)
            {
                var digit = text[at] is >= 'a' and <= 'z' ? text[at] - 'a' : text[at] - '0' + 26;
                at++;
                place += digit * weight;
                var threshold =
                    k <= bias ? 1
                    : k >= bias + 26 ? 26
                    : k - bias;
                if (digit < threshold)
                {
                    break;
                }

                weight *= 36 - threshold;
            }

            var delta = (place - before) / (before == 0 ? 700 : 2);
            delta += delta / (output.Count + 1);
            var steps = 0;
            for (; delta > 455; steps += 36)
            {
                delta /= 35;
            }

            bias = steps + (36 * delta / (delta + 38));
            point += place / (output.Count + 1);
            place %= output.Count + 1;
            output.Insert(place++, point);
        }

        return string.Concat(output.Select(char.ConvertFromUtf32));
    }

    private static readonly Gen<string> Typed = Gen.OneOf(
        Gen.OneOf(
                Gen.Const("ostler"),
                Gen.Const("&"),
                Gen.Const(" "),
                Gen.Const("www."),
                Gen.Const(".com"),
                Gen.Const("-"),
                Gen.Const("ü"),
                Gen.Const("ß"),
                Gen.Const("日"),
                Gen.Const("\u0301"),
                Gen.Const("7"),
                Gen.Const("'"),
                Gen.Const("https://"),
                Gen.Const("/"),
                Gen.Const("xn--"),
                Gen.Const("İ"),
                Gen.Const("ﬁ")
            )
            .Array[0, 8]
            .Select(parts => string.Concat(parts)),
        Gen.String[0, 30].Where(text => text.All(letter => !char.IsSurrogate(letter)))
    );

    private static ReadNameWire Wire(string text, string? ending, string? customersIn = null)
    {
        var faults = new FaultList();
        var read = ReadNameReader.Read(
            JsonSerializer.SerializeToElement(
                new
                {
                    text,
                    ending,
                    customersIn,
                }
            ),
            faults
        );
        faults.Faults.ShouldBeEmpty();
        return ReadNameWire.From(read!);
    }
}
