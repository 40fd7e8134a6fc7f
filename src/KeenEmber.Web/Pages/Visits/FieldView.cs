namespace KeenEmber.Web.Pages.Visits;

/// <summary>A line of text in a form, with what was typed and what is wrong with it.</summary>
public sealed record FieldView(string Name, string Label, string Value, string? Error);
