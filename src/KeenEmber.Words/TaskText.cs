
namespace KeenEmber.Words;

/// <summary>What the standing panel asks for next: the task, why, and where it is done.</summary>
/// <param name="Page">Of the visit.</param>
/// <param name="HasButton">False where there is nothing to do but wait.</param>
public sealed record TaskText(string Task, string Why, string Button, string Page, bool HasButton = true);
