using System.Text;

namespace HomeStart.Core.Domains;

/// <summary>
/// The encoding of names in other scripts (RFC 3492), for labels that the runtime refuses to encode: too long ones, and
/// those with hyphens where none may stand.
/// </summary>
internal static class Punycode
{
    /// <summary>The A-label of a text, whatever its length.</summary>
    public static string Encode(string text)
    {
        var runes = text.EnumerateRunes().Select(rune => rune.Value).ToArray();
        var output = new StringBuilder(string.Concat(runes.Where(rune => rune < 128).Select(rune => (char)rune)));
        var (basic, handled, point, delta, bias) = (output.Length, output.Length, 128, 0, 72);
        if (basic > 0)
        {
            output.Append('-');
        }

        while (handled < runes.Length)
        {
            var next = runes.Where(rune => rune >= point).Min();
            delta = checked(delta + ((next - point) * (handled + 1)));
            point = next;
            foreach (var rune in runes)
            {
                delta += rune < point ? 1 : 0;
                if (rune == point)
                {
                    AppendNumber(output, delta, bias);
                    bias = Adapted(delta, handled + 1, handled == basic);
                    delta = 0;
                    handled++;
                }
            }

            delta++;
            point++;
        }

        return "xn--" + output;
    }

    private static void AppendNumber(StringBuilder output, int number, int bias)
    {
        for (var k = 36; ; k += 36)
        {
            var threshold = Math.Clamp(k - bias, 1, 26);
            if (number < threshold)
            {
                output.Append(Digit(number));
                return;
            }

            output.Append(Digit(threshold + ((number - threshold) % (36 - threshold))));
            number = (number - threshold) / (36 - threshold);
        }
    }

    private static int Adapted(int delta, int count, bool isFirst)
    {
        delta = isFirst ? delta / 700 : delta / 2;
        delta += delta / count;
        var k = 0;
        for (; delta > 455; k += 36)
        {
            delta /= 35;
        }

        return k + (36 * delta / (delta + 38));
    }

    private static char Digit(int value) => (char)(value < 26 ? 'a' + value : '0' + value - 26);
}
