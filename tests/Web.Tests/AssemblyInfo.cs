// Three classes at a time on two cores: many tests wait for a counterpart or a clock.
[assembly: Xunit.v3.Parallelization(Mode = Xunit.Sdk.ParallelMode.Collections, MaxThreads = 3)]
[assembly: AssemblyFixture(typeof(HomeStart.Web.Tests.SpareHosts.Clearing))]
