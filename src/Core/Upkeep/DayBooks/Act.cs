using HomeStart.Core.Basics;

namespace HomeStart.Core.Upkeep;

/// <summary>What is asked of a counterpart so that something happens.</summary>
/// <param name="Key">The idempotency key: the same for the same act, whoever asks and however often.</param>
public abstract record Act(string Key);

/// <summary>A charge is tried.</summary>
/// <param name="Amount">What the card has to pay.</param>
/// <param name="Expected">What happens if it is paid, and if it is refused.</param>
public sealed record TryCharge(string Key, string Book, Money Amount, DateOnly Due, Attempted Expected) : Act(Key);

/// <summary>Money goes back to the card.</summary>
public sealed record GiveMoneyBack(string Key, string Book, Money Amount) : Act(Key);

/// <summary>What the seller owes the owner changes.</summary>
/// <param name="By">Below zero where it was spent, or lost.</param>
public sealed record MoveBalance(string Key, string Book, Money By) : Act(Key);

/// <summary>The host or registrar is told how something stands.</summary>
public sealed record TellStanding(string Key, string Book, HoldingAtEnd Held) : Act(Key);

/// <summary>Nothing is asked of anybody.</summary>
public sealed record NoteDown() : Act("");

/// <summary>What a day book becomes by either answer of the card processor.</summary>
public sealed record Attempted(DayBook Paid, DayBook Refused);
