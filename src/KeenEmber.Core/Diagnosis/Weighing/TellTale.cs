namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>An answer that is as good as seeing a cause itself.</summary>
/// <param name="Cause">Its number.</param>
/// <param name="Observable">Its number.</param>
/// <param name="Answer">Number of the answer; -1 for a number.</param>
/// <param name="Beyond">A number tells of it on the far side of this.</param>
/// <param name="Side">1 where the far side is above, -1 where it is below.</param>
internal readonly record struct TellTale(int Cause, int Observable, int Answer, double Beyond, int Side)
{
    /// <summary>A fact of its observable says so.</summary>
    internal bool IsToldBy(Fact fact, Observable observable) =>
        observable.IsNumber ? (fact.Number - Beyond) * Side > 0 : observable.Answers[Answer] == fact.Answer;
}
