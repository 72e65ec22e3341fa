using MossLantern.Core.Checks;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;

namespace MossLantern.Core.Tests;

/// <summary>Takes remedies as a press does.</summary>
internal static class Taking
{
    private static readonly Cupboard All = Cupboard.Empty with { Mapper = new LayerMapper() };

    /// <summary>A piece with the commands of a remedy; itself where only the person can say. What a remedy offers is
    /// never refused.</summary>
    public static Piece Apply(this Remedy remedy, Piece piece)
    {
        if (remedy.Edits.IsEmpty)
        {
            Assert.NotNull(remedy.Field);
            return piece;
        }

        var made = Editing.Checked(piece, remedy.Edits, All);
        Assert.True(made.Piece is not null, $"{remedy.Id}: {made.Place}: {made.Refusal}");
        Assert.False(string.IsNullOrWhiteSpace(Editing.Words(piece, remedy.Edits)));
        return made.Piece!;
    }
}
