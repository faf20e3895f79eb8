using HomeStart.Core.Basics;

namespace HomeStart.Core.Pages;

/// <summary>A value of a page that cannot be mended so.</summary>
public sealed record PageChangeUnknown(string At) : FaultReason;
