using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Documents;

/// <summary>What the resin is poured on.</summary>
/// <param name="Outline">Its outline seen from above.</param>
/// <param name="Edge">How the edge is finished; drives what runs over it.</param>
/// <param name="SideHeightMm">Height of its sides, mm.</param>
/// <param name="Colour">Colour of the ground under the first layer, as <c>#rrggbb</c>.</param>
/// <param name="Base">What it is made of; null while nobody has said.</param>
/// <param name="Paint">How it is painted; null for not at all.</param>
/// <param name="Level">How level it stands; null while nobody has measured.</param>
/// <param name="Supports">What it stands on; null for the usual four near the corners.</param>
/// <param name="Done">The preparations that are done; null for none.</param>
/// <param name="Mould">The mould of a casting; null for anything else.</param>
/// <param name="Set">How many panels it is, where it is more than one; null for a single one.</param>
/// <param name="Old">The older work beneath; null for a new ground.</param>
/// <param name="PanelLevels">How level the other panels of a set stand, each by itself; null while nobody has measured them.</param>
/// <param name="Tape">How its edge is taped; null for the person's usual way.</param>
/// <param name="DamOf">Of what the dam all round a slice is laid; null where nobody has said.</param>
/// <param name="Sides">How the sides are finished when the face is done; null for as they are.</param>
/// <param name="Rubber">What is cast of mould rubber for it; null for nothing.</param>
public sealed record Ground(
    Outline Outline,
    EdgeStyle Edge,
    double SideHeightMm,
    string Colour,
    Base? Base = null,
    GroundPaint? Paint = null,
    LevelReading? Level = null,
    ImmutableArray<Support>? Supports = null,
    ImmutableArray<PreparationDone>? Done = null,
    Mould? Mould = null,
    PanelSet? Set = null,
    OldWork? Old = null,
    ImmutableArray<PanelLevel>? PanelLevels = null,
    EdgeTaping? Tape = null,
    BarrierClass? DamOf = null,
    SideFinish? Sides = null,
    ImmutableArray<RubberCast>? Rubber = null)
{
    /// <summary>Whether resin goes over the edge on purpose.</summary>
    [JsonIgnore]
    public bool RunsOver => Edge is EdgeStyle.DrippedOver or EdgeStyle.RolledOver;


    /// <summary>How level a panel of a set stands, from 1; null while nobody has measured it there.</summary>
    public LevelReading? LevelOf(int panel) => panel <= 1 ? Level : (PanelLevels ?? []).FirstOrDefault(p => p.Panel == panel)?.Level;

    /// <summary>The same ground with a panel's level read anew, or not known.</summary>
    public Ground WithLevel(int panel, LevelReading? level) => panel <= 1 ? this with { Level = level } : this with
    {
        PanelLevels = (PanelLevels ?? []).Where(p => p.Panel != panel)
            .Concat(level is null ? [] : [new PanelLevel(panel, level)]).OrderBy(p => p.Panel)
            .ToImmutableArray() is { IsEmpty: false } all ? all : null,
    };

    /// <summary>Everything that is seen of it: its outline, or all its panels side by side.</summary>
    [JsonIgnore]
    public Outline Whole => Panels is { } panels ? panels : Outline;

    /// <summary>What a map is grown over: all panels where bands run on across the gap, else one outline.</summary>
    [JsonIgnore]
    public Outline MapOutline => Set is { Mirrored: false } ? Whole : Outline;

    /// <summary>How often what is mapped is poured at once: in mirrored panels, or in a mould's cavities.</summary>
    [JsonIgnore]
    public int AtOnce => Set is { Mirrored: true } set ? set.Count : Mould?.AtOnce ?? 1;

    /// <summary>How many copies of what is mapped are wanted in all: mirrored panels, or castings.</summary>
    [JsonIgnore]
    public int Wanted => Set is { Mirrored: true } set ? set.Count : Mould?.Pieces ?? 1;

    /// <summary>How many separate boards or castings it takes for one piece.</summary>
    [JsonIgnore]
    public int Boards => Set?.Count ?? 1;

    /// <summary>The panels of a set; null for a single one.</summary>
    [JsonIgnore]
    public PanelsOutline? Panels => Set is { } set ? new(Outline, set.Count, set.GapMm, set.Mirrored) : null;

    /// <summary>The same ground with the outlines of its own and of its older work that are known already.</summary>
    /// <param name="known">Outlines that are known, or are from now on.</param>
    public Ground With(KnownOutlines known)
    {
        ArgumentNullException.ThrowIfNull(known);
        return this with
        {
            Outline = known.Of(Outline),
            Old = Old is { Ground: not null } old ? old with { Piece = old.Piece with { Ground = old.Ground.With(known) } } : Old,
        };
    }

    /// <summary>A place on one panel, on each panel that the map runs on over; once where it does not.</summary>
    internal ImmutableArray<Outline> OnEachPanel(Outline place) =>
        Set is { Mirrored: false } ? [.. Panels!.Copies.Select(c => new PlacedOutline(place, c.FromMm, 0))] : [place];

    /// <summary>Which part of a drawn outline an insert of the mould stands in, from 1; 0 where there are no parts.</summary>
    internal int MouldPart(string insertId) =>
        Outline is DrawnOutline drawn && Mould?.Insert(insertId) is { } insert ? insert.PartIn(drawn) : 0;

    /// <summary>What a layer is poured in: what a map is grown over, or the hollow that an insert left.</summary>
    /// <param name="insertId">The insert whose hollow it fills; null for none.</param>
    public Outline OutlineWithin(string? insertId) => insertId is { } id && Mould?.Insert(id) is { } insert ? insert.Placed : MapOutline;
}

/// <summary>How an edge is taped.</summary>
/// <param name="Runs">In which runs.</param>
/// <param name="DamMm">How far the dam stands above the edge, mm; null for what the layers over it need.</param>
/// <remarks>Source: docs/craft/walls.md, Edge tape.</remarks>
public sealed record EdgeTaping(TapeRuns Runs, double? DamMm = null);

/// <summary>How level one panel of a set stands.</summary>
/// <param name="Panel">Which, from 2: the first is the ground's own.</param>
/// <param name="Level">The reading.</param>
public sealed record PanelLevel(int Panel, LevelReading Level);

/// <summary>Several equal panels that are read as one piece.</summary>
/// <param name="Count">How many.</param>
/// <param name="GapMm">Gap between neighbours, mm.</param>
/// <param name="Mirrored">Whether each mirrors its neighbour; else the map runs on across the gap.</param>
/// <remarks>Source: docs/craft/shapes.md, Several panels.</remarks>
public sealed record PanelSet(int Count, double GapMm, bool Mirrored);

/// <summary>Older work that a piece is poured over: a piece, and how it lies beneath. Documents tell the piece's parts
/// beside how it lies.</summary>
/// <remarks>Source: docs/craft/grounds.md, Older work.</remarks>
public sealed record OldWork
{
    /// <summary>How much older work may lie beneath each other.</summary>
    public const int Deepest = 4;

    /// <summary>A piece beneath another.</summary>
    /// <param name="piece">The piece; of no layers where nobody knows them. What of it was waved off counts no more.</param>
    /// <param name="pieceId">Its id on the shelf; null where it never stood there.</param>
    public OldWork(Piece piece, string? pieceId)
    {
        ArgumentNullException.ThrowIfNull(piece);
        (Piece, PieceId) = (piece with { WavedOff = null }, pieceId);
    }

    /// <summary>Older work as documents tell it.</summary>
    [JsonConstructor]
    internal OldWork(
        string name, string? pieceId, Ground ground, GrowthScale growth, ImmutableArray<Recipe> recipes, ImmutableArray<Layer> layers,
        ImmutableArray<Sitting> sittings, double xMm = 0, double yMm = 0, double standsMm = 0, double reliefMm = 0,
        ImmutableArray<ReservedSpot>? kept = null, ImmutableArray<Line>? lines = null)
        : this(new Piece(name, ground, growth, recipes, layers, sittings, Kept: kept, Lines: lines), pieceId) =>
        (XMm, YMm, StandsMm, ReliefMm) = (xMm, yMm, standsMm, reliefMm);

    /// <summary>The piece.</summary>
    [JsonIgnore]
    public Piece Piece { get; init; }

    /// <summary>What it was.</summary>
    public string Name => Piece.Name;

    /// <summary>Its id on the shelf; null where it never stood there.</summary>
    public string? PieceId { get; init; }

    /// <summary>Its ground.</summary>
    public Ground Ground => Piece.Ground;

    /// <summary>The scale its map was grown at.</summary>
    public GrowthScale Growth => Piece.Growth;

    /// <summary>The colours it was poured from.</summary>
    public ImmutableArray<Recipe> Recipes => Piece.Recipes;

    /// <summary>Its layers, lowest first; none where nobody knows them.</summary>
    public ImmutableArray<Layer> Layers => Piece.Layers;

    /// <summary>What of it was poured in one go each.</summary>
    public ImmutableArray<Sitting> Sittings => Piece.Sittings;

    /// <summary>Whether it is one of several castings: the others are not poured over.</summary>
    [JsonIgnore]
    public bool IsOneOfSeveral => Ground.Mould is { Pieces: > 1 };

    /// <summary>Where the left of its box lies, mm from the left of the new one.</summary>
    public double XMm { get; init; }

    /// <summary>Where the top of its box lies, mm from the top of the new one.</summary>
    public double YMm { get; init; }

    /// <summary>How far its face stands above what lies round it, mm: the first layer fills that up too.</summary>
    public double StandsMm { get; init; }

    /// <summary>How far lines and stones stand up from its face, mm; 0 where it was sanded flat.</summary>
    public double ReliefMm { get; init; }

    /// <summary>Spots that its layers kept visible or bare; null for none.</summary>
    public ImmutableArray<ReservedSpot>? Kept => Piece.Kept;

    /// <summary>Its walls, dams and lines; null for none.</summary>
    public ImmutableArray<Line>? Lines => Piece.Lines;

    /// <summary>Its outline, where it lies.</summary>
    [JsonIgnore]
    public Outline Placed => XMm == 0 && YMm == 0 ? Ground.Whole : new PlacedOutline(Ground.Whole, XMm, YMm);
}

/// <summary>How a piece's edge is finished.</summary>
public enum EdgeStyle
{
    /// <summary>Taped and pulled: nothing runs over.</summary>
    TapedClean,

    /// <summary>Open: resin runs down the sides and is smoothed.</summary>
    DrippedOver,

    /// <summary>A rim or dam of its own holds the resin: nothing runs over.</summary>
    Walled,

    /// <summary>Taped; when its film holds, the tape comes off and what stands there is rolled over the edge.</summary>
    RolledOver,
}

/// <summary>How the sides of a piece are finished when its face is done.</summary>
public enum SideFinish
{
    /// <summary>Brushed with resin.</summary>
    Brushed,

    /// <summary>Covered with leaf.</summary>
    Leafed,
}
