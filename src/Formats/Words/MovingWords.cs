namespace HomeStart.Formats.Words;

/// <summary>What moving away from a seller takes, in the order in which site and mail never stop.</summary>
public static class MovingWords
{
    /// <param name="domain">The domain that goes along, written out; null: none.</param>
    /// <param name="movesDomain">Whether it is moved to another registrar too.</param>
    public static IReadOnlyList<string> Takes(string? domain, bool movesDomain) =>
        [
            "Order at the new seller first, and leave the old hosting running: nothing of it stops while you move.",
            "Take your files along: the ZIP of your web space, from Online.",
            .. domain is null
                ? (string[])[]
                :
                [
                    $"Take the records of {domain} along as a zone file, from Online, and read them in at the "
                        + "new host.",
                ],
            "Make the same mail addresses at the new host before anything points there, and move what is in "
                + "the old ones with your mail program.",
            .. domain is null
                ? (string[])[]
                :
                [
                    $"Point {domain} at the new host, and wait until all five places see it: up to two days, in "
                        + "which some still come to the old one.",
                ],
            .. movesDomain
                ? (string[])
                    [
                        $"Only then move {domain} itself: have it unlocked, take its transfer code to the new "
                            + "registrar, and say yes when asked. It takes up to five days, and a year is added.",
                    ]
                : [],
            "Look once more for mail at the old host, then say that it does not renew.",
        ];
}
