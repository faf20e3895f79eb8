// Two classes at a time, each at a desk of its own: one browser keeps little more than half of two cores busy. What a
// page must show is waited for long enough for both.
[assembly: Xunit.v3.Parallelization(Mode = Xunit.Sdk.ParallelMode.Collections, MaxThreads = 2)]
[assembly: AssemblyFixture(typeof(HomeStart.Browser.Tests.Desk.Clearing))]
