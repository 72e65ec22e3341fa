global using Xunit;

// One browser and one server at a time: the machine has two cores.
[assembly: CollectionBehavior(CollectionBehavior.CollectionPerAssembly)]
