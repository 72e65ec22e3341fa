using System.Globalization;

namespace MossLantern.Core.Journal;

/// <summary>
/// The id of a step: a pass over a region after the first (<c>pass-2</c>), a part of a batch that is weighed (<c>batch-1/resin</c>), or a
/// colourant of a cup of it (<c>batch-1/moss/0</c>). Any text is one, so that what was written once stays readable; two are equal when they
/// are written alike.
/// </summary>
/// <remarks>Source: docs/craft/journal.md, Steps.</remarks>
public readonly record struct StepId
{
    private const string PassBefore = "pass-";
    private const char Between = '/';
    private const string ResinPart = "resin", HardenerPart = "hardener";

    private readonly string? text;

    private StepId(string text) => this.text = text;

    /// <summary>Reads an id.</summary>
    public static StepId Parse(string text)
    {
        ArgumentException.ThrowIfNullOrEmpty(text);
        return new(text);
    }

    /// <summary>A pass over a region; null for the first, which needs no step to be told.</summary>
    /// <param name="pass">Which, from 0.</param>
    public static StepId? OfPass(int pass)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(pass);
        return pass == 0 ? null : new(string.Create(CultureInfo.InvariantCulture, $"{PassBefore}{pass + 1}"));
    }

    /// <summary>The resin of a batch.</summary>
    public static StepId OfResin(string batchId) => new($"{batchId}{Between}{ResinPart}");

    /// <summary>The hardener of a batch.</summary>
    public static StepId OfHardener(string batchId) => new($"{batchId}{Between}{HardenerPart}");

    /// <summary>A colourant of a cup.</summary>
    /// <param name="batchId">The batch that the cup is poured off.</param>
    /// <param name="cupId">The cup.</param>
    /// <param name="dose">Which of its colourants, from 0.</param>
    public static StepId OfColourant(string batchId, string cupId, int dose) =>
        new(string.Create(CultureInfo.InvariantCulture, $"{batchId}{Between}{cupId}{Between}{dose}"));

    /// <summary>Which pass it is, from 0; 0 too for a step that tells no pass.</summary>
    public static int PassOf(StepId? step) => step is { } own && own.Written.StartsWith(PassBefore, StringComparison.Ordinal)
        && int.TryParse(own.Written.AsSpan(PassBefore.Length), NumberStyles.None, CultureInfo.InvariantCulture,
            out var number) && number > 0 ? number - 1 : 0;

    /// <summary>The batch that is weighed; null for what is no weighing.</summary>
    public string? BatchId => Parts is [_, ResinPart or HardenerPart] or [_, _, _] ? Parts[0] : null;

    /// <summary>The cup whose colourant is weighed; null for anything else.</summary>
    public string? CupId => Parts is [_, var cup, _] ? cup : null;

    /// <summary>What is weighed, in words; as it is written for what is no weighing.</summary>
    public string Words => Parts switch
    {
        [var batch, (ResinPart or HardenerPart) and var part] => $"{part} of {batch.Replace('-', ' ')}",
        [var batch, var cup, _] => $"colourant of {cup} from {batch.Replace('-', ' ')}",
        _ => Written,
    };

    /// <summary>As it is written in the journal.</summary>
    public override string ToString() => Written;

    private string Written => text ?? "";

    private string[] Parts => Written.Split(Between);
}
