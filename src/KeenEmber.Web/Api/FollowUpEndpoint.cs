using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using KeenEmber.Words;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Api;

/// <summary>The day to look again, for any calendar.</summary>
public static class FollowUpEndpoint
{
    public static void MapFollowUp(this IEndpointRouteBuilder routes) =>
        routes.MapGet("/visits/{id:guid}/follow-up.ics", Answer).ExcludeFromDescription();

    private static Results<FileContentHttpResult, NotFound> Answer(Guid id, VisitViews views)
    {
        if (views.Open(id) is not { SignOff: { FollowUp: { } day } signed } view)
            return TypedResults.NotFound();
        var calendar = new Ical.Net.Calendar();
        calendar.Events.Add(new CalendarEvent
        {
            Uid = signed.Id.ToString(), DtStamp = new CalDateTime(signed.WrittenAt.UtcDateTime), Start = new CalDateTime(day),
            Summary = $"Look again: {view.Equipment.Tag} {view.Equipment.Name}",
            Location = $"{view.Site.Name} {view.Equipment.Location}".Trim(),
            Description =
                string.Join("\n", new[] { signed.Recommendation }.Concat(view.OpenItems.Select(ChangeText.Line)).Where(t => t.Length > 0)),
        });
        return TypedResults.File(
            System.Text.Encoding.UTF8.GetBytes(new CalendarSerializer().SerializeToString(calendar) ?? ""), "text/calendar",
            $"{view.Equipment.Tag}.ics");
    }
}
