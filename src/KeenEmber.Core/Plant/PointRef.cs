using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Plant;

/// <summary>A measuring point of a unit: where on the circuit, and at which of its coils.</summary>
/// <param name="Coil">From 1; 1 for every point that is not at a coil.</param>
public readonly record struct PointRef(MeasuringPoint Point, int Coil = 1) : IComparable<PointRef>, IParsable<PointRef>
{
    /// <summary>A point at the first coil, or of the unit.</summary>
    public static implicit operator PointRef(MeasuringPoint point) => new(point);

    /// <summary>As a technician walks: what is at the first coil, what is at the second, then the rest.</summary>
    public int CompareTo(PointRef other) => (!Point.IsAtCoil(), Coil, Point).CompareTo((!other.Point.IsAtCoil(), other.Coil, other.Point));

    /// <summary>Earlier on the walk.</summary>
    public static bool operator <(PointRef one, PointRef other) => one.CompareTo(other) < 0;

    /// <summary>Earlier on the walk, or the same.</summary>
    public static bool operator <=(PointRef one, PointRef other) => one.CompareTo(other) <= 0;

    /// <summary>Later on the walk.</summary>
    public static bool operator >(PointRef one, PointRef other) => one.CompareTo(other) > 0;

    /// <summary>Later on the walk, or the same.</summary>
    public static bool operator >=(PointRef one, PointRef other) => one.CompareTo(other) >= 0;

    /// <summary>The name of the point, with the number of its coil from the second on.</summary>
    public override string ToString() => CoilName.Of(Point, Coil);

    /// <param name="s">As <see cref="ToString"/> writes it, in upper or lower case.</param>
    public static bool TryParse([NotNullWhen(true)] string? s, IFormatProvider? provider, out PointRef result)
    {
        var found = CoilName.Find<MeasuringPoint>(s, MeasuringPoints.IsAtCoil);
        result = found is { } f ? new(f.Member, f.Coil) : default;
        return found is not null;
    }

    /// <summary>Reads a name; one that names none is a <see cref="FormatException"/>.</summary>
    public static PointRef Parse(string s, IFormatProvider? provider = null) =>
        TryParse(s, provider, out var point) ? point : throw new FormatException($"There is no point {s}.");

    /// <returns>Null when it is the name of no point.</returns>
    public static PointRef? Find(string? text) => TryParse(text, CultureInfo.InvariantCulture, out var point) ? point : null;
}

/// <summary>A result of a unit: what was computed, and for which of its coils.</summary>
/// <param name="Coil">From 1; 1 for every result that is not of a coil.</param>
public readonly record struct ResultRef(ResultKind Kind, int Coil = 1) : IParsable<ResultRef>
{
    /// <summary>A result of the first coil, or of the unit.</summary>
    public static implicit operator ResultRef(ResultKind kind) => new(kind);

    /// <summary>The name of the result, with the number of its coil from the second on.</summary>
    public override string ToString() => CoilName.Of(Kind, Coil);

    /// <param name="s">As <see cref="ToString"/> writes it, in upper or lower case.</param>
    public static bool TryParse([NotNullWhen(true)] string? s, IFormatProvider? provider, out ResultRef result)
    {
        var found = CoilName.Find<ResultKind>(s, ResultKinds.IsOfCoil);
        result = found is { } f ? new(f.Member, f.Coil) : default;
        return found is not null;
    }

    /// <summary>Reads a name; one that names none is a <see cref="FormatException"/>.</summary>
    public static ResultRef Parse(string s, IFormatProvider? provider = null) =>
        TryParse(s, provider, out var result) ? result : throw new FormatException($"There is no result {s}.");
}

/// <summary>Names of what a unit may have once for each of its coils.</summary>
internal static class CoilName
{
    private const int MostCoils = 9;

    internal static string Of<T>(T member, int coil)
        where T : struct, Enum => coil <= 1 ? member.ToString() : string.Create(CultureInfo.InvariantCulture, $"{member}{coil}");

    internal static (T Member, int Coil)? Find<T>(string? text, Func<T, bool> isAtCoil)
        where T : struct, Enum
    {
        if (EnumName.Find<T>(text) is { } first)
            return (first, 1);
        return text is [.., var digit] && digit is >= '2' and <= (char)('0' + MostCoils)
            && EnumName.Find<T>(text[..^1]) is { } member && isAtCoil(member) ? (member, digit - '0') : null;
    }
}
