// Two classes at a time, each with an application and a browser of its own: one browser keeps little more than half of two cores busy. What a page must show is waited for long enough for both.
[assembly: Xunit.v3.Parallelization(Mode = Xunit.Sdk.ParallelMode.Collections, MaxThreads = 2)]
