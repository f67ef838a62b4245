using System.Globalization;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace HomeStage.Mutants;

/// <summary>Writes into a file every fault that it could have, each behind a switch, so that one build holds them all.</summary>
/// <param name="file">As it is called in reports.</param>
/// <param name="next">Gives the next free number.</param>
/// <param name="left">Numbers of faults that are not to be written, because the compiler refuses them.</param>
internal sealed class FaultInserter(string file, Func<int> next, IReadOnlySet<int> left) : CSharpSyntaxRewriter
{
    public const string Switch = "MutantSwitch.On";

    private static readonly Dictionary<SyntaxKind, SyntaxKind> Others = new()
    {
        [SyntaxKind.AddExpression] = SyntaxKind.SubtractExpression,
        [SyntaxKind.SubtractExpression] = SyntaxKind.AddExpression,
        [SyntaxKind.MultiplyExpression] = SyntaxKind.DivideExpression,
        [SyntaxKind.DivideExpression] = SyntaxKind.MultiplyExpression,
        [SyntaxKind.LessThanExpression] = SyntaxKind.LessThanOrEqualExpression,
        [SyntaxKind.LessThanOrEqualExpression] = SyntaxKind.LessThanExpression,
        [SyntaxKind.GreaterThanExpression] = SyntaxKind.GreaterThanOrEqualExpression,
        [SyntaxKind.GreaterThanOrEqualExpression] = SyntaxKind.GreaterThanExpression,
        [SyntaxKind.EqualsExpression] = SyntaxKind.NotEqualsExpression,
        [SyntaxKind.NotEqualsExpression] = SyntaxKind.EqualsExpression,
    };

    private static readonly Dictionary<string, string> OtherCalls = new(StringComparer.Ordinal)
    {
        ["All"] = "Any",
        ["Any"] = "All",
        ["Min"] = "Max",
        ["Max"] = "Min",
        ["MinBy"] = "MaxBy",
        ["MaxBy"] = "MinBy",
        ["First"] = "Last",
        ["FirstOrDefault"] = "LastOrDefault",
        ["OrderBy"] = "OrderByDescending",
        ["OrderByDescending"] = "OrderBy",
        ["ThenBy"] = "ThenByDescending",
        ["Skip"] = "Take",
        ["Take"] = "Skip",
    };

    public List<Mutant> Mutants { get; } = [];

    public override SyntaxNode? VisitBinaryExpression(BinaryExpressionSyntax node)
    {
        if (!CanChange(node))
            return base.VisitBinaryExpression(node);
        if (node.IsKind(SyntaxKind.LogicalAndExpression) || node.IsKind(SyntaxKind.LogicalOrExpression))
            return Halves(node);
        var visited = (BinaryExpressionSyntax)base.VisitBinaryExpression(node)!;
        return Others.TryGetValue(node.Kind(), out var other)
            ? Either(node, SyntaxFactory.BinaryExpression(other, node.Left.WithoutTrivia().Spaced(), node.Right.WithoutTrivia().Spaced()), visited)
            : visited;
    }

    public override SyntaxNode? VisitPrefixUnaryExpression(PrefixUnaryExpressionSyntax node)
    {
        var visited = base.VisitPrefixUnaryExpression(node)!;
        return node.IsKind(SyntaxKind.LogicalNotExpression) && CanChange(node) ? Either(node, node.Operand, (ExpressionSyntax)visited) : visited;
    }

    public override SyntaxNode? VisitLiteralExpression(LiteralExpressionSyntax node)
    {
        if (!CanChange(node))
            return node;
        return node.Kind() switch
        {
            SyntaxKind.TrueLiteralExpression => Either(node, SyntaxFactory.LiteralExpression(SyntaxKind.FalseLiteralExpression), node),
            SyntaxKind.FalseLiteralExpression => Either(node, SyntaxFactory.LiteralExpression(SyntaxKind.TrueLiteralExpression), node),
            SyntaxKind.NumericLiteralExpression => Either(node, SyntaxFactory.ParseExpression($"({node} + 1)"), node),
            _ => node,
        };
    }

    public override SyntaxNode? VisitConditionalExpression(ConditionalExpressionSyntax node)
    {
        var visited = (ExpressionSyntax)base.VisitConditionalExpression(node)!;
        return CanChange(node) ? Either(node, SyntaxFactory.ParseExpression($"(({node.Condition}) ? ({node.WhenFalse}) : ({node.WhenTrue}))"), visited) : visited;
    }

    public override SyntaxNode? VisitInvocationExpression(InvocationExpressionSyntax node)
    {
        var visited = (ExpressionSyntax)base.VisitInvocationExpression(node)!;
        return CanChange(node) && node.Expression is MemberAccessExpressionSyntax member && OtherCalls.TryGetValue(member.Name.Identifier.Text, out var other) && member.Name is IdentifierNameSyntax
            ? Either(node, node.WithExpression(member.WithName(SyntaxFactory.IdentifierName(other))), visited)
            : visited;
    }

    public override SyntaxNode? VisitExpressionStatement(ExpressionStatementSyntax node)
    {
        var visited = (ExpressionStatementSyntax)base.VisitExpressionStatement(node)!;
        var id = next();
        if (left.Contains(id))
            return visited;
        Note(id, node, "nothing");
        // In a block of its own, or an else behind it would be taken for its own.
        return SyntaxFactory.ParseStatement($"{{ if (!{Asked(id)}) {{ {visited} }} }}").WithTriviaFrom(node);
    }

    /// <summary>Each side left out, without saying either twice: what they declare stays declared once.</summary>
    private ExpressionSyntax Halves(BinaryExpressionSyntax node)
    {
        var (one, other) = (next(), next());
        var visited = (BinaryExpressionSyntax)base.VisitBinaryExpression(node)!;
        var isAnd = node.IsKind(SyntaxKind.LogicalAndExpression);
        string Left(int id, SyntaxNode side) => left.Contains(id) ? $"({side})" : isAnd ? $"({Asked(id)} || ({side}))" : $"(!{Asked(id)} && ({side}))";
        // A look whether both are the same object only saves the longer one after it.
        var saves = !isAnd && node.Left is InvocationExpressionSyntax { Expression: IdentifierNameSyntax { Identifier.Text: nameof(ReferenceEquals) } };
        if (!saves && !left.Contains(one))
            Note(one, node, $"{node.Right}");
        if (!left.Contains(other))
            Note(other, node, $"{node.Left}");
        return SyntaxFactory.ParseExpression($"({Left(one, visited.Left)} {(isAnd ? "&&" : "||")} {Left(other, visited.Right)})").WithTriviaFrom(node);
    }

    private ExpressionSyntax Either(ExpressionSyntax node, ExpressionSyntax fault, ExpressionSyntax visited)
    {
        var id = next();
        if (left.Contains(id))
            return visited;
        Note(id, node, $"{fault}");
        return SyntaxFactory.ParseExpression($"({Asked(id)} ? {fault} : {visited.WithoutTrivia()})").WithTriviaFrom(node);
    }

    private void Note(int id, SyntaxNode node, string becomes)
    {
        var line = node.GetLocation().GetLineSpan().StartLinePosition.Line + 1;
        Mutants.Add(new(id, string.Create(CultureInfo.InvariantCulture, $"{file}:{line}"), Short($"{node}"), Short(becomes)));
    }

    private static string Asked(int id) => string.Create(CultureInfo.InvariantCulture, $"{Switch}({id})");

    private static string Short(string code) => string.Join(' ', code.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)) is { Length: > 90 } text ? text[..90] + "…" : string.Join(' ', code.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));

    /// <summary>Constants have to stay constants; a message of an exception is for programmers, and no test repeats it.</summary>
    private static bool CanChange(SyntaxNode node) => !node.Ancestors().Any(a => a
        is AttributeSyntax or ParameterSyntax or PatternSyntax or SwitchLabelSyntax or EnumMemberDeclarationSyntax or ThrowExpressionSyntax or ThrowStatementSyntax
        or InterpolatedStringContentSyntax || (a is FieldDeclarationSyntax field && field.Modifiers.Any(SyntaxKind.ConstKeyword))
        || (a is LocalDeclarationStatementSyntax local && local.IsConst));
}

internal static class Trivia
{
    public static ExpressionSyntax Spaced(this ExpressionSyntax node) => node.WithLeadingTrivia(SyntaxFactory.Space).WithTrailingTrivia(SyntaxFactory.Space);
}
