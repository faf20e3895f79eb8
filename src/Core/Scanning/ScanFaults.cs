using System.Numerics;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Scanning;

/// <summary>Endings sold in more places than are looked at.</summary>
public sealed record TooManyEndings(int Places, int Most) : FaultReason;

/// <summary>More steps of work than one scan may take.</summary>
public sealed record ScanTooLarge(BigInteger Steps, BigInteger Most) : FaultReason;

/// <summary>More ways to make good what a plan lacks than are tried.</summary>
public sealed record TooManyWays(string Plan, string Provider, BigInteger Ways, BigInteger Most) : FaultReason;
