namespace HomeStart.Core.Ordering;

/// <summary>
/// A reference made from an order's id: eight letters and digits that are not mistaken for each other when read out.
/// </summary>
public static class OrderReference
{
    private const string Alphabet = "23456789ABCDEFGHJKMNPQRSTVWXYZ";

    /// <summary>
    /// The reference of an order's id: "HS-XXXX-XXXX", in letters and digits that are not taken for one another.
    /// </summary>
    public static string From(Guid id)
    {
        var number = BitConverter.ToUInt64(id.ToByteArray(), 0);
        var letters = new char[8];
        for (var i = 0; i < letters.Length; i++)
        {
            letters[i] = Alphabet[(int)(number % (ulong)Alphabet.Length)];
            number /= (ulong)Alphabet.Length;
        }

        var text = new string(letters);
        return $"HS-{text[..4]}-{text[4..]}";
    }
}
