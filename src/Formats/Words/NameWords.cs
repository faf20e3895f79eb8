namespace HomeStart.Formats.Words;

/// <summary>What is wrong with a name, as a sentence.</summary>
public static class NameWords
{
    public static string Sentence(DomainFault fault) =>
        fault switch
        {
            { Part: DomainPart.Ending } => "This is no ending of a domain, such as com or co.uk.",
            { TooLong: > 0 and var length } =>
                $"With its ending this has {length} characters; a domain has at most {DomainName.Longest}.",
            { Label: { } label } => Sentence(label),
            _ => "This is no domain name: use letters, digits and inner hyphens.",
        };

    public static string Sentence(LabelFault fault) =>
        fault.Problem switch
        {
            LabelProblem.Empty => "Type the name you want, without its ending.",
            LabelProblem.Space => "A domain has no spaces: run the words together, or put a hyphen between them.",
            LabelProblem.Underscore => "A domain has no underscores: a hyphen may stand instead.",
            LabelProblem.Dot => "There is a dot left over: type the name once, with at most one ending.",
            LabelProblem.Ampersand => "A domain cannot hold “&”: leave it out, or write “and”.",
            LabelProblem.OtherLetter =>
                $"“{fault.Character}” is outside a to z. Some registries allow it, none of ours does yet: write "
                    + "it without.",
            LabelProblem.OtherCharacter =>
                $"A domain cannot hold “{Shown(fault.Character!.Value)}”: use letters, digits and hyphens.",
            LabelProblem.HyphenAtEnd => "A hyphen can only stand between letters or digits, not at an end.",
            LabelProblem.HyphensKept =>
                "Two hyphens in the third and fourth place are kept for encoded names: use one.",
            LabelProblem.TooLong =>
                $"This has {fault.Length} characters; a name can have at most {DomainLabel.Longest}.",
            _ => throw new ArgumentOutOfRangeException(nameof(fault), fault.Problem, "There are no words for this."),
        };

    public static string Sentence(NameProblem problem) =>
        problem switch
        {
            NameProblem.Empty => "There are no letters or digits in it.",
            NameProblem.IsAnEnding => "It is an ending: the name before it is missing.",
            NameProblem.EndingUnknown => "No registry has this ending.",
            NameProblem.HyphenEdge => "A hyphen can only stand between letters or digits.",
            NameProblem.Hyphen34 => "Two hyphens in the third and fourth place are kept for encoded names.",
            NameProblem.NotAllowed => "It has a character that no domain can hold.",
            NameProblem.TooLong => $"It is too long: a name has room for {DomainLabel.Longest} characters.",
            NameProblem.MixedScripts => "Its letters are of different scripts, which look alike and mislead.",
            _ => throw new ArgumentOutOfRangeException(nameof(problem), problem, "There are no words for this."),
        };

    private static string Shown(char character) =>
        char.IsControl(character) || char.IsSurrogate(character) ? "that character" : character.ToString();

    /// <summary>What stands in the way of moving a domain in, and what to do about it.</summary>
    public static string InTheWay(DomainName domain, TransferAnswer answer) =>
        answer.State switch
        {
            TransferState.Locked => $"{domain} is locked at its present seller: unlock it there, then order again.",
            TransferState.WrongCode =>
                $"That is not the transfer code of {domain}: copy it once more from its present seller. "
                    + "Capitals count.",
            TransferState.TooNew => $"{domain} came to its present seller less than {TransferAnswer.RestDays} days "
                + $"ago{(answer.Until is { } until ? $": it can be moved from {until:d MMMM yyyy} on" : "")}.",
            TransferState.NotRegistered => $"Nobody has {domain}: register it instead of moving it.",
            TransferState.HereAlready => $"{domain} is with this seller already.",
            TransferState.Ready or TransferState.Unchecked =>
                $"{domain} could not be checked just now. {answer.Why} Nothing was ordered. Try again in a while.",
            _ => throw new ArgumentOutOfRangeException(nameof(answer), answer.State, "There are no words for this."),
        };
}
