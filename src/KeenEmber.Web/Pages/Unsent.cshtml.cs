using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages;

/// <summary>What waits on this phone for signal. It holds nothing of the record, so that every phone can have it along.</summary>
[AllowAnonymous]
public sealed class UnsentModel : PageModel;
