global using Xunit;

// Three browsers at a time: a browser waits about as much as it works, and the machine has two cores. Cases share nothing but the
// workshop, of which each changes only its own copies, so those of one class run side by side too.
[assembly: Xunit.v3.Parallelization(Mode = Xunit.Sdk.ParallelMode.All, MaxThreads = 3)]
