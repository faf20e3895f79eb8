namespace HomeStart.Formats.Letters;

/// <summary>What is written to whoever wants to confirm a mail address.</summary>
public static class AccountLetters
{
    /// <param name="page">Where the code is typed in, with it filled in already: it stands behind the sign #, which no
    /// server is told.</param>
    public static Letter Code(string mail, string code, int minutes, Guid id, Uri page)
    {
        var letter = new LetterText()
            .Paragraph($"Your code for Home Start is {code}.")
            .Paragraph($"Type it where you were asked for it. It works once, for {minutes} minutes.")
            .Link("Or confirm your address here", page)
            .Paragraph("If you did not ask for it, do nothing: without the code nobody gets in.")
            .Paragraph("Home Start");
        return new Letter(id, mail, $"Your code: {code}", letter.Text, letter.Html);
    }
}
