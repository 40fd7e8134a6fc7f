using KeenEmber.Core.Visits;

namespace KeenEmber.Words.Benches.Charge;

/// <summary>How the company charges, and what that way cannot see.</summary>
public static class ChargeSchool
{
    public static string Says(PolicyChoice school) => school switch
    {
        PolicyChoice.ChargeToSightGlass =>
            "Your company charges to a clear glass plus an allowance. It cannot see an overcharge, and bubbles in the cold prove nothing.",
        PolicyChoice.ChargeBySuperheat =>
            "Your company charges by superheat and subcooling. It cannot see a dirty coil or a stopped fan: check air first.",
        _ => "Your company charges by weight. It cannot see what is left in the circuit: recover and evacuate first.",
    };
}
