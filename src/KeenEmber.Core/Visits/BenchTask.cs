using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Visits;

/// <summary>Where in the order of the job a task stands.</summary>
public enum TaskOrder
{
    /// <summary>Somebody can be hurt, or the machine wrecked.</summary>
    Danger,

    /// <summary>Until it is done every reading lies: air, ice, a defrost that runs, a doubtful entry.</summary>
    BeforeReadings,

    /// <summary>Whether the unit is asked to run: sensors, outputs.</summary>
    Call,

    /// <summary>What is still to be measured or noted.</summary>
    Readings,

    /// <summary>What is set so that it cannot work.</summary>
    Settings,

    /// <summary>What a watched defrost asks for.</summary>
    AfterDefrost,
}

/// <summary>One thing a bench asks for. Each bench has records of its own under it, which its words know.</summary>
/// <param name="Bench">Name of the bench that asks.</param>
public abstract record BenchTask(string Bench, TaskOrder Order)
{
    /// <summary>The reading it asks for; null for any other task.</summary>
    public virtual PointRef? Asks => null;

    /// <summary>It measures or notes something; else it repairs or sets something.</summary>
    public virtual bool IsTest => false;
}
