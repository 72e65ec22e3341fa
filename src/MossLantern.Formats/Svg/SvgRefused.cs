namespace MossLantern.Formats.Svg;

/// <summary>A drawing that cannot be taken: says which element is wrong and what to do about it.</summary>
public sealed class SvgRefusedException(string message) : Exception(message);
