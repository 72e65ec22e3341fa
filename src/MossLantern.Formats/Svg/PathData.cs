using System.Globalization;
using NetTopologySuite.Geometries;

namespace MossLantern.Formats.Svg;

/// <summary>Reads the <c>d</c> of a path.</summary>
internal ref struct PathData(ReadOnlySpan<char> text, Pen pen)
{
    private readonly ReadOnlySpan<char> text = text;
    private int at;
    private Coordinate start = new(0, 0);
    private Coordinate bend = new(0, 0);

    /// <summary>Draws a path.</summary>
    /// <exception cref="FormatException">It cannot be read.</exception>
    public static void Draw(string text, Pen pen) => new PathData(text, pen).Draw();

    private void Draw()
    {
        var command = '\0';
        var before = '\0';
        while (Skip())
        {
            if (char.IsAsciiLetter(text[at]))
            {
                command = text[at++];
            }
            else if (command is 'z' or 'Z' or '\0')
            {
                throw new FormatException();
            }

            if (before == '\0' && command is not ('m' or 'M'))
            {
                throw new FormatException();
            }

            One(command, before);
            before = command;

            // More numbers after a move are lines.
            command = command switch { 'm' => 'l', 'M' => 'L', _ => command };
        }
    }

    private void One(char command, char before)
    {
        var here = pen.At;
        var (ox, oy) = char.IsLower(command) ? (here.X, here.Y) : (0, 0);
        var kind = char.ToUpperInvariant(command);
        switch (kind)
        {
            case 'M':
                pen.Move(ox + Number(), oy + Number());
                start = pen.At;
                break;
            case 'L':
                pen.Line(ox + Number(), oy + Number());
                break;
            case 'H':
                pen.Line(ox + Number(), here.Y);
                break;
            case 'V':
                pen.Line(here.X, oy + Number());
                break;
            case 'Q' or 'T':
                bend = kind == 'Q' ? new(ox + Number(), oy + Number()) : Mirrored(here, before, 'Q', 'T');
                pen.Quad(bend.X, bend.Y, ox + Number(), oy + Number());
                break;
            case 'C' or 'S':
                var first = kind == 'C' ? new(ox + Number(), oy + Number()) : Mirrored(here, before, 'C', 'S');
                bend = new(ox + Number(), oy + Number());
                pen.Cubic(first.X, first.Y, bend.X, bend.Y, ox + Number(), oy + Number());
                break;
            case 'A':
                double rx = Number(), ry = Number(), turn = Number();
                bool large = Flag(), sweep = Flag();
                pen.Arc(rx, ry, turn, large, sweep, ox + Number(), oy + Number());
                break;
            case 'Z':
                pen.Close();
                pen.Move(start.X, start.Y);
                break;
            default:
                throw new FormatException();
        }
    }

    /// <summary>Where a smooth curve begins to bend: opposite to how the last one ended, if it was of its kind.</summary>
    private readonly Coordinate Mirrored(Coordinate here, char before, char kind, char smooth)
    {
        var last = char.ToUpperInvariant(before);
        return last == kind || last == smooth ? new(2 * here.X - bend.X, 2 * here.Y - bend.Y) : here.Copy();
    }

    /// <summary>Moves on to the next number or letter; false at the end.</summary>
    private bool Skip()
    {
        while (at < text.Length && (char.IsWhiteSpace(text[at]) || text[at] == ','))
        {
            at++;
        }

        return at < text.Length;
    }

    /// <summary>A flag may stand right before the next number.</summary>
    private bool Flag()
    {
        Skip();
        return at < text.Length && text[at] is '0' or '1' ? text[at++] == '1' : throw new FormatException();
    }

    private double Number()
    {
        Skip();
        var from = at;
        if (at < text.Length && text[at] is '+' or '-')
        {
            at++;
        }

        Digits();
        if (at < text.Length && text[at] == '.')
        {
            at++;
            Digits();
        }

        if (at + 1 < text.Length && text[at] is 'e' or 'E' && (char.IsAsciiDigit(text[at + 1]) || text[at + 1] is '+' or '-'))
        {
            at += 2;
            Digits();
        }

        return double.TryParse(text[from..at], NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && Math.Abs(number) < 1e7
            ? number
            : throw new FormatException();
    }

    private void Digits()
    {
        while (at < text.Length && char.IsAsciiDigit(text[at]))
        {
            at++;
        }
    }
}
