using System.Runtime.Intrinsics;
using HomeStage.Core.Sound.Kernels;

namespace HomeStage.Core.Tests.Sound.Kernels;

/// <summary>The quick forms against those of the runtime's own library.</summary>
public class PolynomialTests
{
    [Fact]
    public void Log2_OverTheWholeRange_IsThatOfTheLibrary()
    {
        for (var exponent = -33.0; exponent < 20; exponent += 0.00037)
        {
            var x = (float)Math.Pow(2, exponent);
            // Half a unit in the last place of a number up to 32 is 2e−6.
            Assert.Equal(Math.Log2(x), Polynomials.Log2(Vector256.Create(x)).ToScalar(), 2.3e-6);
        }
    }

    [Fact]
    public void Log2_OfNothing_IsThatOfTheLeast()
    {
        Assert.Equal(Math.Log2(Polynomials.Least), Polynomials.Log2(default).ToScalar(), 1e-5);
    }

    [Fact]
    public void Exp2_OverTheWholeRange_IsThatOfTheLibrary()
    {
        for (var x = -40f; x < 12; x += 0.00031f)
            Assert.Equal(1, Polynomials.Exp2(Vector256.Create(x)).ToScalar() / Math.Pow(2, x), 3e-7);
    }

    [Fact]
    public void Exp2_OfNothing_IsExactlyOne()
    {
        Assert.Equal(1f, Polynomials.Exp2(default).ToScalar());
    }
}
