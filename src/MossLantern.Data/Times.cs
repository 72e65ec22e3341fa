using NodaTime;
using NodaTime.Text;

namespace MossLantern.Data;

internal static class Times
{
    public static string Write(Instant instant) => InstantPattern.ExtendedIso.Format(instant);

    public static Instant Read(string text) => InstantPattern.ExtendedIso.Parse(text).Value;
}
