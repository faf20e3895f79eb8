// One browser at a time: the machine has two cores, and a test that waits for the other's page proves nothing.
[assembly: Xunit.v3.Parallelization(Mode = Xunit.Sdk.ParallelMode.None)]
