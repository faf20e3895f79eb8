using HomeStart.Formats.Orders;

namespace HomeStart.Formats.Upkeep;

/// <summary>Moves the clock of a workspace on.</summary>
/// <param name="From">The business date that was seen: of two that move it at once, one does.</param>
/// <param name="To">The business date from then on.</param>
public sealed record MoveClockBody(DateOnly From, DateOnly To);

/// <param name="Version">Of what was seen.</param>
public sealed record DecideBody(int Version, DecisionBody Decision);

/// <param name="Decision">The day it would be made on may lie ahead.</param>
public sealed record WhatIfBody(DecisionBody Decision);

/// <param name="Index">Its place among what is decided for a later day.</param>
public sealed record WithdrawBody(int Version, int Index);

/// <summary>Another card for what is charged later.</summary>
public sealed record OtherCardBody(CardBody Card);

/// <param name="Way">card, balance or invoice.</param>
public sealed record PayMissedBody(string Holding, string Way);

/// <param name="Holding">A domain that is to be moved away.</param>
public sealed record ReleaseBody(string Holding);

/// <param name="Days">How many days before; empty: none.</param>
public sealed record RemindDaysBody(IReadOnlyList<int> Days);
