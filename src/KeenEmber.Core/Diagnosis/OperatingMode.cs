namespace KeenEmber.Core.Diagnosis;

/// <summary>What a unit ought to be doing just now; which parts then run and which stand follows from it.</summary>
public enum OperatingMode
{
    /// <summary>The box asks for cold.</summary>
    Calling,

    /// <summary>The box is cold enough.</summary>
    Satisfied,

    /// <summary>It defrosts.</summary>
    Defrost,

    /// <summary>It is switched off.</summary>
    Off,
}
