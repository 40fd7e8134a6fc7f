using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Cases;

namespace KeenEmber.Words.Benches.Sensors;

/// <summary>What the sensor bench makes of a visit, for its pages.</summary>
public static class SensorsOfVisit
{
    extension(VisitCase visit)
    {
        /// <summary>The unit's sensors, and what the visit's checks say of them.</summary>
        public UnitSensors Sensors => visit.Of<SensorsJudgement>()?.Unit ?? UnitSensors.None;

        /// <summary>What to do about a sensor, the first thing first; nothing where it is right.</summary>
        public IReadOnlyList<SensorStep> StepsFor(string sensor) => visit.Of<SensorsJudgement>()?.StepsFor(sensor) ?? [];

        /// <summary>What the sensor that ends the defrost reads too much or too little, K; null without a check of it.</summary>
        public double? EndSensorErrorK => visit.Of<SensorsJudgement>()?.EndSensorErrorK;
    }
}
