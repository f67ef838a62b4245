using System.Reflection;
using System.Reflection.Emit;

namespace HomeStage.Core.Tests;

/// <summary>Which types of its own assembly a compiled type knows: by what it inherits, holds, takes, gives, and by what its methods do.</summary>
internal static class TypeReferences
{
    private const BindingFlags All = BindingFlags.DeclaredOnly | BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.Instance | BindingFlags.Static;

    private static readonly Dictionary<short, OpCode> OpCodesByValue = typeof(OpCodes).GetFields(BindingFlags.Public | BindingFlags.Static)
        .Select(f => (OpCode)f.GetValue(null)!).ToDictionary(o => o.Value);

    public static IReadOnlySet<Type> Of(Type type)
    {
        var found = new HashSet<Type>();
        Note(found, type.BaseType);
        foreach (var known in type.GetInterfaces().Concat(type.GetFields(All).Select(f => f.FieldType)))
            Note(found, known);
        foreach (var attribute in type.GetCustomAttributesData().Concat(type.GetMembers(All).SelectMany(m => m.GetCustomAttributesData())))
            Note(found, attribute.AttributeType);
        foreach (var method in type.GetMethods(All).Cast<MethodBase>().Concat(type.GetConstructors(All)))
            NoteMethod(found, method);
        found.RemoveWhere(t => t.Assembly != type.Assembly);
        return found;
    }

    private static void NoteMethod(HashSet<Type> found, MethodBase method)
    {
        foreach (var parameter in method.GetParameters())
            Note(found, parameter.ParameterType);
        Note(found, (method as MethodInfo)?.ReturnType);
        if (method.GetMethodBody() is not { } body)
            return;
        foreach (var local in body.LocalVariables)
            Note(found, local.LocalType);
        foreach (var clause in body.ExceptionHandlingClauses)
            Note(found, clause.Flags == ExceptionHandlingClauseOptions.Clause ? clause.CatchType : null);
        foreach (var token in Tokens(body.GetILAsByteArray()!))
            NoteMember(found, Resolved(method, token));
    }

    private static void NoteMember(HashSet<Type> found, MemberInfo? member)
    {
        Note(found, member as Type ?? member?.DeclaringType);
        if (member is MethodBase called)
        {
            foreach (var argument in called.IsGenericMethod ? called.GetGenericArguments() : [])
                Note(found, argument);
        }
    }

    private static MemberInfo? Resolved(MethodBase method, int token)
    {
        var onType = method.DeclaringType!.IsGenericType ? method.DeclaringType.GetGenericArguments() : null;
        var onMethod = method.IsGenericMethod ? method.GetGenericArguments() : null;
        return method.Module.ResolveMember(token, onType, onMethod);
    }

    /// <summary>Tokens of members and types in a method's code; strings and signatures are passed over.</summary>
    private static IEnumerable<int> Tokens(byte[] code)
    {
        for (var at = 0; at < code.Length;)
        {
            short value = code[at++];
            if (value == 0xFE)
                value = (short)((0xFE << 8) | code[at++]);
            var operand = OpCodesByValue[value].OperandType;
            if (operand is OperandType.InlineField or OperandType.InlineMethod or OperandType.InlineTok or OperandType.InlineType)
                yield return BitConverter.ToInt32(code, at);
            at += operand switch
            {
                OperandType.InlineNone => 0,
                OperandType.ShortInlineBrTarget or OperandType.ShortInlineI or OperandType.ShortInlineVar => 1,
                OperandType.InlineVar => 2,
                OperandType.InlineI8 or OperandType.InlineR => 8,
                OperandType.InlineSwitch => 4 + 4 * BitConverter.ToInt32(code, at),
                _ => 4,
            };
        }
    }

    private static void Note(HashSet<Type> found, Type? type)
    {
        while (type?.HasElementType == true)
            type = type.GetElementType();
        if (type is null || type.IsGenericParameter)
            return;
        found.Add(type.IsGenericType ? type.GetGenericTypeDefinition() : type);
        foreach (var argument in type.IsGenericType ? type.GetGenericArguments() : [])
            Note(found, argument);
    }
}
