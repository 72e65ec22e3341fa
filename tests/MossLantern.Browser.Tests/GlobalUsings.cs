global using Xunit;

// Two browsers, each with a server of its own, at a time: a browser waits more than it works, and the machine has two cores.
[assembly: Xunit.v3.Parallelization(MaxThreads = 2)]
