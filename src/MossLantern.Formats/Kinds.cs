using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Shapes;

namespace MossLantern.Formats;

/// <summary>A type of several kinds, and what documents and commands call them: a name that was written once stays readable.</summary>
/// <param name="Type">The type.</param>
/// <param name="Field">The field that tells the kind.</param>
/// <param name="Names">Every kind with its name.</param>
/// <remarks>Source: docs/formats.md, A piece as JSON.</remarks>
public sealed record Kinds(Type Type, string Field, ImmutableArray<(Type Type, string Name)> Names)
{
    /// <summary>The types that have several kinds.</summary>
    public static ImmutableArray<Kinds> All { get; } =
    [
        new(typeof(Outline), "shape",
        [
            (typeof(RectangleOutline), "rectangle"), (typeof(RoundOutline), "round"), (typeof(OvalOutline), "oval"),
            (typeof(SliceOutline), "slice"),
            (typeof(DrawnOutline), "drawn"),
        ]),
        new(typeof(Layout), "kind",
        [
            (typeof(RingsLayout), "rings"), (typeof(StripesLayout), "lines"), (typeof(PetalsLayout), "petals"),
            (typeof(FieldsLayout), "fields"), (typeof(PoolsLayout), "pools"),
            (typeof(PuddleLayout), "puddle"), (typeof(MarbleLayout), "marble"), (typeof(FloodLayout), "flood"),
        ]),
        new(typeof(Course), "kind",
        [
            (typeof(DrawnCourse), "drawn"), (typeof(BorderCourse), "border"), (typeof(AllBordersCourse), "borders"),
            (typeof(RoundCourse), "round"), (typeof(RingCourse), "ring"),
        ]),
        new(typeof(LineMaterial), "kind",
        [
            (typeof(BarrierLine), "barrier"), (typeof(ResinLine), "resin"), (typeof(PasteLine), "paste"), (typeof(ReliefLine), "relief"),
        ]),
        new(typeof(Edit), "do",
        [
            .. typeof(Edit).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(Edit)) && !t.IsAbstract)
                .OrderBy(t => t.Name, StringComparer.Ordinal)
                .Select(t => (t, JsonNamingPolicy.KebabCaseLower.ConvertName(t.Name))),
        ]),
    ];

    /// <summary>Tells the serializer the kinds of a type that has some.</summary>
    internal static void Name(JsonTypeInfo info)
    {
        if (All.FirstOrDefault(k => k.Type == info.Type) is { } kinds)
        {
            info.PolymorphismOptions = new() { TypeDiscriminatorPropertyName = kinds.Field };
            foreach (var (type, name) in kinds.Names)
            {
                info.PolymorphismOptions.DerivedTypes.Add(new(type, name));
            }
        }
    }
}
