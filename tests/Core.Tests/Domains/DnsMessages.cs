using CsCheck;
using HomeStart.Formats.Dns;

namespace HomeStart.Core.Tests;

/// <summary>
/// DNS messages are read as they were written, by hand-worked bytes, and nothing that comes from outside makes the
/// reader throw or run on.
/// </summary>
public class DnsMessages
{
    [Fact]
    public void A_question_is_these_bytes() =>
        Convert
            .ToHexString(DnsWriter.Write(DnsMessage.Ask("a.example", DnsType.Mx)))
            .ShouldBe("00000100000100000000000001610765" + "78616D706C6500000F0001");

    [Fact]
    public void An_answer_with_names_that_point_back_is_read()
    {
        // 1 question (a.example MX), 2 answers that name the question's owner by a pointer, the second its exchange by
        // another; 1 record of a type not known here.
        var bytes = Convert.FromHexString(
            "0007"
                + "8580"
                + "0001"
                + "0003"
                + "0000"
                + "0000"
                + "0161076578616D706C6500000F0001"
                + "C00C"
                + "000F"
                + "0001"
                + "0000001E"
                + "0009"
                + "000A"
                + "046D61696C"
                + "C00C"
                + "C00C"
                + "0063"
                + "0001"
                + "0000001E"
                + "0002"
                + "ABCD"
                + "C00C"
                + "000F"
                + "0001"
                + "80000000"
                + "0004"
                + "0014"
                + "C00E"
        );
        var message = DnsReader.Read(bytes).ShouldNotBeNull();
        (message.Id, message.IsResponse, message.IsAuthoritative, message.IsRecursive, message.Code).ShouldBe(
            (7, true, true, true, DnsCode.Answered)
        );
        message
            .Answers.Select(record => (record.Name, record.Preference, record.Data, record.TtlSeconds))
            .ShouldBe([("a.example", 10, "mail.a.example", 30), ("a.example", 20, "example", 0)]);
    }

    [Fact]
    public void What_is_written_is_read_again() =>
        Message.Sample(
            message =>
            {
                var read = DnsReader.Read(DnsWriter.Write(message)).ShouldNotBeNull();
                (read.Id, read.Question, read.Code, read.IsResponse, read.IsAuthoritative, read.IsRecursive).ShouldBe(
                    (
                        message.Id,
                        message.Question,
                        message.Code,
                        message.IsResponse,
                        message.IsAuthoritative,
                        message.IsRecursive
                    )
                );
                read.Answers.ShouldBe(message.Answers);
                read.Authority.ShouldBe(message.Authority);
            },
            iter: 2000
        );

    [Fact]
    public void Whatever_comes_is_read_or_is_no_message() =>
        Gen.Byte.Array[0, 200].Sample(bytes => DnsReader.Read(bytes), iter: 20_000);

    [Fact]
    public void Whatever_is_cut_off_or_changed_is_read_or_is_no_message() =>
        Gen.Select(Message, Gen.Int[0, 600], Gen.Byte)
            .Sample(
                (message, at, value) =>
                {
                    var bytes = DnsWriter.Write(message);
                    DnsReader.Read(bytes.AsSpan(0, Math.Min(at, bytes.Length)));
                    bytes[at % bytes.Length] = value;
                    DnsReader.Read(bytes);
                },
                iter: 5000
            );

    [Theory]
    [InlineData("000001000001000000000000C00C00010001")] // A name that points at itself.
    [InlineData("000001000001000000000000C00E0001C00C00010001")] // Two that point at each other.
    [InlineData("00000100000200000000000001610000010001")] // Two questions.
    [InlineData("0000010000010000000000000161000001")] // Cut off.
    [InlineData("00002800000100000000000001610000010001")] // Not a query but an update.
    [InlineData("00000100000100000000000003612E620000010001")] // A dot inside a label.
    [InlineData("00000100000100000000000001610000010003")] // Another class than the Internet.
    [InlineData("000081800001FFFF0000000001610000010001")] // More records than there are.
    public void What_is_no_question_is_none(string bytes) =>
        DnsReader.Read(Convert.FromHexString(bytes)).ShouldBeNull();

    [Fact]
    public void Services_and_makers_of_certificates_are_these_bytes()
    {
        Answer(DnsType.Srv, "1 2 3 b.example")
            .ShouldEndWith("0021" + "0001" + "0000001E" + "0011" + "000100020003" + "01620765" + "78616D706C6500");
        Answer(DnsType.Caa, "128 issue \"ca\"")
            .ShouldEndWith("0101" + "0001" + "0000001E" + "0009" + "80" + "05" + "6973737565" + "6361");

        static string Answer(DnsType type, string data) =>
            Convert.ToHexString(
                DnsWriter.Write(
                    DnsMessage
                        .Ask("a.example", type)
                        .Answer(DnsCode.Answered, [new DnsRecord("a.example", type, 30, data)], [])
                )
            );
    }

    [Fact]
    public void A_long_text_is_cut_in_pieces_and_put_together_again()
    {
        var text = new string('k', 700);
        var message = DnsMessage
            .Ask("a.example", DnsType.Txt)
            .Answer(DnsCode.Answered, [new DnsRecord("a.example", DnsType.Txt, 30, text)], []);
        DnsReader.Read(DnsWriter.Write(message))!.Answers.Single().Data.ShouldBe(text);
        Should.Throw<FormatException>(() =>
            DnsWriter.Write(DnsMessage.Ask(new string('a', 64) + ".example", DnsType.A))
        );
    }

    private static readonly Gen<string> Label = Gen.Char["abcdefghijklmnopqrstuvwxyz0123456789-"]
        .Array[1, 12]
        .Select(letters => new string(letters));

    private static readonly Gen<string> Name = Label.Array[1, 4].Select(labels => string.Join('.', labels));

    private static readonly Gen<DnsRecord> Record = Gen.Select(
        Name,
        Gen.Int[0, 100_000],
        Gen.OneOf(
            Gen.Int[0, 255].Select(last => (DnsType.A, $"192.0.2.{last}", 0)),
            Gen.Int[1, 9].Select(last => (DnsType.Aaaa, $"2001:db8::{last}", 0)),
            Gen.Select(Name, Gen.Int[0, 65_535]).Select((name, preference) => (DnsType.Mx, name, preference)),
            Name.Select(name => (DnsType.Ns, name, 0)),
            Name.Select(name => (DnsType.Cname, name, 0)),
            Label.Select(text => (DnsType.Txt, text, 0)),
            Gen.Select(Name, Gen.Int[0, 65_535]).Select((name, port) => (DnsType.Srv, $"10 5 {port} {name}", 0)),
            Name.Select(name => (DnsType.Caa, $"0 issue \"{name}\"", 0)),
            Gen.Select(Name, Name).Select((primary, mailbox) => (DnsType.Soa, $"{primary} {mailbox} 1 2 3 4 5", 0))
        ),
        (name, ttl, data) => new DnsRecord(name, data.Item1, ttl, data.Item2) { Preference = data.Item3 }
    );

    private static readonly Gen<DnsMessage> Message = Gen.Select(
            Gen.Int[0, 65_535],
            Name,
            Gen.Int[1, 300],
            Record.Array[0, 5],
            Record.Array[0, 2],
            Gen.Bool
        )
        .Select(
            (id, name, type, answers, authority, isResponse) =>
                new DnsMessage(id, new DnsQuestion(name, type), DnsCode.NoSuchName, [.. answers], [.. authority])
                {
                    IsResponse = isResponse,
                    IsAuthoritative = isResponse,
                    IsRecursive = true,
                }
        );
}
