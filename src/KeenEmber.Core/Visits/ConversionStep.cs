namespace KeenEmber.Core.Visits;

/// <summary>What belongs to a conversion to another refrigerant beside recovering and charging.</summary>
public enum ConversionStep
{
    /// <summary>A new drier.</summary>
    Drier,

    /// <summary>Oil that suits the new refrigerant.</summary>
    Oil,

    /// <summary>Seals that suit it.</summary>
    Seals,

    /// <summary>A vacuum that held.</summary>
    Vacuum,

    /// <summary>Pressure settings for it.</summary>
    Settings,

    /// <summary>A label on the unit.</summary>
    Label,
}

/// <summary>The steps as entries name them.</summary>
public static class ConversionSteps
{
    /// <summary>"new drier".</summary>
    public static string Name(ConversionStep step) => step switch
    {
        ConversionStep.Drier => "new drier",
        ConversionStep.Oil => "oil",
        ConversionStep.Seals => "seals",
        ConversionStep.Vacuum => "vacuum held",
        ConversionStep.Settings => "pressure settings",
        _ => "label on the unit",
    };
}
