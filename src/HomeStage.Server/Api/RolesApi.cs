using HomeStage.Core.Roles;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What a name is likely to mean.</summary>
internal static class RolesApi
{
    private const int LongestName = 200;

    public static void MapRoles(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/roles").WithTags("Roles");
        group.MapGet("/", Ok<Sequence<string>> () => TypedResults.Ok(RoleNames.All));
        group.MapGet("/of", Results<Ok<RoleGuess>, ProblemHttpResult> (string name) => name.Length <= LongestName
            ? TypedResults.Ok(RoleReader.Read(name))
            : Problems.Refused(new Refusal.BadText("A name", 0, LongestName)));
    }
}
