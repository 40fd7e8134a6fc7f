namespace KeenEmber.Core.Benches.Defrost;

/// <summary>What the judgement of a defrost compares with. Trade practice where no source is named.</summary>
public static class DefrostLimits
{
    /// <summary>A thermometer on melting ice reads within this of 0 °C: its own error and a little of the warmer metal round it,
    /// K.</summary>
    public const double PlateauBandK = 1.8;

    /// <summary>Well over freezing: a bend this warm carries no ice, °C.</summary>
    public const double ClearC = 3;

    /// <summary>The rise after the plateau is fitted up to here above it, K; farther up the losses bend it.</summary>
    public const double RiseK = 4;

    /// <summary>Up to so long past clear a defrost is well ended, min: droplets run off meanwhile.</summary>
    public const double GoodHeatAfterClearMin = 5;

    /// <summary>From here on the room takes the heat, min.</summary>
    public const double LongHeatAfterClearMin = 10;

    /// <summary>A heat-on time this near to the fail-safe is the fail-safe's, min; clocks are set by tripper or by the minute.</summary>
    public const double LimitToleranceMin = 1;

    /// <summary>A switch may act this far from its rating, K (usual tolerance of bimetal discs, ±3 K).</summary>
    public const double SwitchToleranceK = 3;

    /// <summary>A probe may differ from the thermometer beside it by this, K.</summary>
    public const double ProbeToleranceK = 2;

    /// <summary>The end sensor's spot may be this far behind or ahead of the coldest bend while both are clear of ice, K.</summary>
    public const double SensorSpreadK = 8;

    /// <summary>A leg carrying less than this share of what its plate says is weak; elements are made to ±5 to 10 %.</summary>
    public const double WeakLegShare = 0.9;

    /// <summary>A leg carrying less than this share is out.</summary>
    public const double DeadLegShare = 0.15;

    /// <summary>A heater current above this share of its highest means that the heat is on.</summary>
    public const double HeatOnShare = 0.3;

    /// <summary>A supply below this share of the rated voltage makes good heaters weak (the power falls with its square).</summary>
    public const double LowVoltageShare = 0.93;

    /// <summary>Less drip time than this leaves drops that freeze at once, min.</summary>
    public const double ShortestDripMin = 1.5;

    /// <summary>Fans that come back above this blow warm wet air into the box where no setting is known, °C.</summary>
    public const double FansBackC = -3;

    /// <summary>Fans may be this late after the coil has reached their setting, min.</summary>
    public const double FansLateMin = 6;

    /// <summary>A box should be back within so long after the heat ended, min.</summary>
    public const double RecoveryMin = 45;

    /// <summary>Back at its target means within this of it, K.</summary>
    public const double RecoveredK = 2;

    /// <summary>Product of a freezer warmer than this has softened at the edge, °C (frozen food is kept at -18 °C, -15 °C for a short
    /// while: Directive 89/108/EEC, art. 5).</summary>
    public const double FrozenProductC = -15;

    /// <summary>Suction this much above its level before the heat floods or overloads the compressor at restart, kPa.</summary>
    public const double RestartRiseKpa = 200;
}

/// <summary>Codes of what the bench finds; the sentences are made from them and from the values beside.</summary>
public static class DefrostCodes
{
    /// <summary>Heat went on long after the coil was clear.</summary>
    public const string HeatAfterClear = "defrost.over-run";

    /// <summary>Heat ended soon after the coil was clear.</summary>
    public const string WellEnded = "defrost.well-ended";

    /// <summary>Heat ended with ice left.</summary>
    public const string EndedEarly = "defrost.ended-early";

    /// <summary>The coil was clear and the time limit ended the heat.</summary>
    public const string NotTerminated = "defrost.not-terminated";

    /// <summary>The time limit ended the heat with ice left.</summary>
    public const string LimitBeforeClear = "defrost.limit-before-clear";

    /// <summary>What ended the heat is not known.</summary>
    public const string EndUnknown = "defrost.end-unknown";

    /// <summary>The end sensor's place clears later than the coil.</summary>
    public const string SensorLags = "defrost.sensor-lags";

    /// <summary>The end sensor's place clears before the coil.</summary>
    public const string SensorLeads = "defrost.sensor-leads";

    /// <summary>The end sensor sits where the coil clears last.</summary>
    public const string SensorFits = "defrost.sensor-representative";

    /// <summary>The end sensor reads beside the reference at its own place.</summary>
    public const string ProbeOff = "defrost.probe-off";

    /// <summary>The end switch acts beside its rating.</summary>
    public const string SwitchOff = "defrost.switch-off-rating";

    /// <summary>A heater leg draws nothing.</summary>
    public const string LegOut = "defrost.leg-out";

    /// <summary>A heater leg draws too little.</summary>
    public const string LegWeak = "defrost.leg-weak";

    /// <summary>The heaters get too little voltage.</summary>
    public const string LowVoltage = "defrost.low-voltage";

    /// <summary>Refrigeration starts before the melt water has run off.</summary>
    public const string DripShort = "defrost.drip-short";

    /// <summary>Fans run while the heat is on.</summary>
    public const string FansInHeat = "defrost.fans-in-heat";

    /// <summary>Fans come back while the coil is still warm.</summary>
    public const string FansEarly = "defrost.fans-early";

    /// <summary>Fans come back long after the coil is cold.</summary>
    public const string FansLate = "defrost.fans-late";

    /// <summary>Fans do not come back.</summary>
    public const string FansNever = "defrost.fans-never";

    /// <summary>Fans go on and off after the defrost.</summary>
    public const string FansCycling = "defrost.fans-cycling";

    /// <summary>Suction shoots up at the restart.</summary>
    public const string RestartPressure = "defrost.restart-pressure";

    /// <summary>The box takes long to recover.</summary>
    public const string SlowRecovery = "defrost.slow-recovery";

    /// <summary>Product got warmer than it may.</summary>
    public const string ProductWarm = "defrost.product-warm";

    /// <summary>Vapour fills the box: heat after the ice is gone.</summary>
    public const string Vapour = "defrost.vapour";

    /// <summary>The clock stands: it stays in the state it was left in.</summary>
    public const string ClockStopped = "defrost.clock-stopped";

    /// <summary>The clock loses or gains.</summary>
    public const string ClockOff = "defrost.clock-off-rate";

    /// <summary>Its contacts do not change over when it is turned by hand.</summary>
    public const string ClockContacts = "defrost.clock-contacts";

    /// <summary>Its terminate solenoid does not release.</summary>
    public const string ClockSolenoid = "defrost.clock-solenoid";

    /// <summary>Its time of day is wrong.</summary>
    public const string ClockTime = "defrost.clock-time";

    /// <summary>In the defrost no heater carries current and the fans run: nothing has changed over.</summary>
    public const string NotChangedOver = "defrost.not-changed-over";

    /// <summary>Told by a test or by facts, with no run watched.</summary>
    public static bool IsSoWithoutARun(string code) =>
        code is ClockStopped or ClockOff or ClockContacts or ClockSolenoid or ClockTime or NotChangedOver or FansInHeat;

    /// <summary>Said by the currents of the heaters.</summary>
    public static bool IsOfHeaters(string code) => code is LegOut or LegWeak or LowVoltage;

    /// <summary>Something to explain, not a sign that all is well.</summary>
    public static bool IsFault(string code) => code is not (WellEnded or SensorFits);
}
