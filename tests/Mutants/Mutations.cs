using System.Globalization;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using static Microsoft.CodeAnalysis.CSharp.SyntaxFactory;

namespace HomeStart.Mutants;

/// <summary>The changes that are tried: one operator, boundary, branch, number or call at a time.</summary>
internal static class Mutations
{
    private static readonly Dictionary<SyntaxKind, (SyntaxKind Expression, SyntaxKind Token)> Operators = new()
    {
        [SyntaxKind.LessThanExpression] = (SyntaxKind.LessThanOrEqualExpression, SyntaxKind.LessThanEqualsToken),
        [SyntaxKind.LessThanOrEqualExpression] = (SyntaxKind.LessThanExpression, SyntaxKind.LessThanToken),
        [SyntaxKind.GreaterThanExpression] = (
            SyntaxKind.GreaterThanOrEqualExpression,
            SyntaxKind.GreaterThanEqualsToken
        ),
        [SyntaxKind.GreaterThanOrEqualExpression] = (SyntaxKind.GreaterThanExpression, SyntaxKind.GreaterThanToken),
        [SyntaxKind.EqualsExpression] = (SyntaxKind.NotEqualsExpression, SyntaxKind.ExclamationEqualsToken),
        [SyntaxKind.NotEqualsExpression] = (SyntaxKind.EqualsExpression, SyntaxKind.EqualsEqualsToken),
        [SyntaxKind.AddExpression] = (SyntaxKind.SubtractExpression, SyntaxKind.MinusToken),
        [SyntaxKind.SubtractExpression] = (SyntaxKind.AddExpression, SyntaxKind.PlusToken),
        [SyntaxKind.MultiplyExpression] = (SyntaxKind.DivideExpression, SyntaxKind.SlashToken),
        [SyntaxKind.DivideExpression] = (SyntaxKind.MultiplyExpression, SyntaxKind.AsteriskToken),
        [SyntaxKind.LogicalAndExpression] = (SyntaxKind.LogicalOrExpression, SyntaxKind.BarBarToken),
        [SyntaxKind.LogicalOrExpression] = (SyntaxKind.LogicalAndExpression, SyntaxKind.AmpersandAmpersandToken),
    };

    private static readonly Dictionary<string, string> Calls = new(StringComparer.Ordinal)
    {
        ["Any"] = "All",
        ["All"] = "Any",
        ["Min"] = "Max",
        ["Max"] = "Min",
        ["First"] = "Last",
        ["Last"] = "First",
        ["FirstOrDefault"] = "LastOrDefault",
        ["OrderBy"] = "OrderByDescending",
        ["ThenBy"] = "ThenByDescending",
        ["Skip"] = "Take",
        ["Take"] = "Skip",
        ["SkipWhile"] = "TakeWhile",
        ["TakeWhile"] = "SkipWhile",
        ["StartsWith"] = "EndsWith",
        ["EndsWith"] = "StartsWith",
        ["Floor"] = "Ceiling",
        ["Ceiling"] = "Floor",
    };

    /// <summary>Every change of a file, in the order of its text.</summary>
    public static IEnumerable<Mutation> FindAll(SyntaxTree tree) =>
        tree.GetRoot()
            .DescendantNodes()
            .SelectMany(node => Changes(node).Select(after => new Mutation(tree, node, after)));

    private static IEnumerable<SyntaxNode> Changes(SyntaxNode node) =>
        node switch
        {
            BinaryExpressionSyntax binary when Operators.TryGetValue(binary.Kind(), out var other) && !IsText(binary) =>

                [
                    BinaryExpression(
                        other.Expression,
                        binary.Left,
                        Token(other.Token).WithTriviaFrom(binary.OperatorToken),
                        binary.Right
                    ),
                ],
            IfStatementSyntax branch => [branch.WithCondition(Not(branch.Condition))],
            ConditionalExpressionSyntax choice =>
            [
                choice.WithWhenTrue(choice.WhenFalse).WithWhenFalse(choice.WhenTrue),
            ],
            PrefixUnaryExpressionSyntax { RawKind: (int)SyntaxKind.LogicalNotExpression } not => [not.Operand],
            PrefixUnaryExpressionSyntax { RawKind: (int)SyntaxKind.UnaryMinusExpression } minus => [minus.Operand],
            LiteralExpressionSyntax { RawKind: (int)SyntaxKind.TrueLiteralExpression } =>
            [
                LiteralExpression(SyntaxKind.FalseLiteralExpression),
            ],
            LiteralExpressionSyntax { RawKind: (int)SyntaxKind.FalseLiteralExpression } =>
            [
                LiteralExpression(SyntaxKind.TrueLiteralExpression),
            ],
            LiteralExpressionSyntax { Token.Value: int number } => [Number(number + 1)],
            RelationalPatternSyntax relation when Boundary(relation.OperatorToken.Kind()) is { } token =>
            [
                RelationalPattern(Token(token), relation.Expression),
            ],
            UnaryPatternSyntax unary => [unary.Pattern],
            IsPatternExpressionSyntax { Pattern: not UnaryPatternSyntax } test
                when !test.DescendantNodes().OfType<VariableDesignationSyntax>().Any() =>
            [
                test.WithPattern(
                    UnaryPattern(
                        Token(TriviaList(), SyntaxKind.NotKeyword, TriviaList(Space)),
                        ParenthesizedPattern(test.Pattern)
                    )
                ),
            ],
            SimpleNameSyntax { Parent: MemberAccessExpressionSyntax { Parent: InvocationExpressionSyntax } access } name
                when access.Name == name && Calls.TryGetValue(name.Identifier.Text, out var other) =>
            [
                name.WithIdentifier(Identifier(other)),
            ],
            ExpressionStatementSyntax { Expression: InvocationExpressionSyntax or AssignmentExpressionSyntax } statement
                when statement.Parent is BlockSyntax => [EmptyStatement()],
            ContinueStatementSyntax => [BreakStatement()],
            _ => [],
        };

    /// <summary>
    /// Joined text is for reading only where it is thrown; elsewhere + on text does not compile as −, and is left out
    /// at once.
    /// </summary>
    private static bool IsText(BinaryExpressionSyntax binary) =>
        binary
            .DescendantNodesAndSelf()
            .Any(node => node is InterpolatedStringExpressionSyntax || node.IsKind(SyntaxKind.StringLiteralExpression))
        && binary.IsKind(SyntaxKind.AddExpression);

    private static PrefixUnaryExpressionSyntax Not(ExpressionSyntax condition) =>
        PrefixUnaryExpression(SyntaxKind.LogicalNotExpression, ParenthesizedExpression(condition));

    private static LiteralExpressionSyntax Number(int value) =>
        LiteralExpression(
            SyntaxKind.NumericLiteralExpression,
            Literal(value.ToString(CultureInfo.InvariantCulture), value)
        );

    private static SyntaxKind? Boundary(SyntaxKind token) =>
        token switch
        {
            SyntaxKind.LessThanToken => SyntaxKind.LessThanEqualsToken,
            SyntaxKind.LessThanEqualsToken => SyntaxKind.LessThanToken,
            SyntaxKind.GreaterThanToken => SyntaxKind.GreaterThanEqualsToken,
            SyntaxKind.GreaterThanEqualsToken => SyntaxKind.GreaterThanToken,
            _ => null,
        };
}
