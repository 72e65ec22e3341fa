using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;

namespace MossLantern.Core.Tests;

/// <summary>The id of a region, read and written.</summary>
public sealed class RegionIdTests
{
    [Theory]
    [InlineData("moss", null, null, "moss", null)]
    [InlineData("heart", null, null, "heart", null)]
    [InlineData("field-3", null, null, "field-3", 3)]
    [InlineData("field-03x", null, null, "field-03x", null)]
    [InlineData("field--3", null, null, "field--3", null)]
    [InlineData("zone-1/moss", "zone-1", null, "moss", null)]
    [InlineData("zone-1/field-12", "zone-1", null, "field-12", 12)]
    [InlineData("zone-1/a/b", "zone-1", null, "a/b", null)]
    [InlineData("kept/signature", null, "signature", "kept/signature", null)]
    [InlineData("kept", null, null, "kept", null)]
    [InlineData("/moss", null, null, "/moss", null)]
    [InlineData("", null, null, "", null)]
    public void An_id_tells_its_zone_what_is_kept_and_which_field_it_is(string text, string? zone, string? kept, string own, int? field)
    {
        var id = RegionId.Parse(text);
        Assert.Equal((zone, kept, own, field, text), (id.Zone, id.Kept, id.Own, id.Field, id.ToString()));
        Assert.Equal(id.ToString(), text);
    }

    [Fact]
    public void What_is_put_together_is_read_apart() =>
        (from own in Gen.String[Gen.Char["abc-123"], 1, 8]
         from zone in Gen.String[Gen.Char["xyz-9"], 1, 8]
         from number in Gen.Int[1, 500]
         select (own, zone, number)).Sample(s =>
        {
            var id = RegionId.Parse(s.own).In(s.zone);
            Assert.Equal((s.zone, s.own, (string?)null), (id.Zone, id.Own, id.Kept));
            Assert.Equal((s.number, s.zone), (RegionId.OfField(s.number).In(s.zone).Field, RegionId.OfField(s.number).In(s.zone).Zone));
            Assert.Equal((s.own, (string?)null), (RegionId.OfSpot(s.own).Kept, RegionId.OfSpot(s.own).Zone));
            Assert.Equal(RegionId.Parse(s.own), RegionId.Parse(s.own).In(null));
            Assert.Equal(Math.Sign(string.CompareOrdinal(s.own, s.zone)),
                Math.Sign(RegionId.Parse(s.own).CompareTo(RegionId.Parse(s.zone))));
        });

    [Fact]
    public void Edges_are_refused_or_empty()
    {
        Assert.Throws<ArgumentNullException>(() => RegionId.Parse(null!));
        Assert.Throws<ArgumentException>(() => RegionId.Heart.In(""));
        Assert.Equal(("", null, ""), (default(RegionId).ToString(), default(RegionId).Zone, default(RegionId).Own));
    }

    [Fact]
    public void Every_region_of_a_map_with_zones_and_kept_spots_is_named_in_the_shapes_as_in_the_map()
    {
        var layer = Samples.Layer(Samples.Heart(300, 200), 20, 0) with
        {
            Zones = [new("z1", "Corner", new Shapes.RectangleOutline(120, 90), 20, 20, new FloodLayout("c1"))],
        };
        var piece = Samples.Piece(Samples.Panel(), layer)
            with
        { Kept = [new("k1", "Signature", new Shapes.RoundOutline(40), 500, 300, Keep.Visible)] };
        var mapper = new LayerMapper();
        var ids = mapper.Map(piece, layer).Regions.Where(r => r.AreaMm2 > 1).Select(r => r.Id).Order().ToList();
        Assert.Equal(ids, RegionShapes.Of(mapper, piece, layer).Select(s => s.RegionId).Distinct().Order());
        Assert.Contains(ids, id => id.Zone == "z1");
        Assert.Contains(ids, id => id.Kept == "k1");
    }
}
