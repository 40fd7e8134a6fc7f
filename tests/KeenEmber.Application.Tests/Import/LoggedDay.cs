using System.Globalization;
using System.Text;

namespace KeenEmber.Application.Tests.Import;

/// <summary>A logger's file of a day: a row each second, twelve columns, four defrosts of 28 minutes. The benches measure with it
/// too.</summary>
internal static class LoggedDay
{
    public static string Text()
    {
        var text = new StringBuilder("time,cold,warm,beside sensor,sensor,front,behind,box,product,leg 1,leg 2,volts\n");
        for (var second = 0; second < 86_400; second++)
        {
            var minute = second / 60.0 % 360 - 100;
            var coil = minute is < 0 or > 60 ? -24 : minute < 8 ? -24 + 3 * minute : minute < 20 ? 0.2 : minute < 28 ? 3 * (minute - 20)
                : Math.Max(-24, 24 - 5 * (minute - 28));
            text.Append(CultureInfo.InvariantCulture, $"2026-03-02 {second / 3600:00}:{second / 60 % 60:00}:{second % 60:00}");
            text.Append(
                CultureInfo.InvariantCulture,
                $",{coil:F2},{coil + 1:F2},{coil:F2},{coil - 1:F2},-18.2,-19.1,-20.0,-19.4,"
                + $"{(minute is >= 0 and < 28 ? 8.7 : 0):F1},{(minute is >= 0 and < 28 ? 8.6 : 0):F1},230\n");
        }

        return text.ToString();
    }
}
