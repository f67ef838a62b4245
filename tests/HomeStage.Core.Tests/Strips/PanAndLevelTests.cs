using HomeStage.Core.Strips;

namespace HomeStage.Core.Tests.Strips;

/// <summary>Closed forms of levels and pan laws.</summary>
public class PanAndLevelTests
{
    [Theory]
    [InlineData(PanLaw.ConstantPower, -3.0103)]
    [InlineData(PanLaw.Linear, -6.0206)]
    [InlineData(PanLaw.Compromise, -4.5154)]
    [InlineData(PanLaw.ConstantPowerCentreUnity, 0)]
    [InlineData(PanLaw.LinearCentreUnity, 0)]
    [InlineData(PanLaw.CompromiseCentreUnity, 0)]
    public void Mono_AtTheCentre_HasTheLevelOfItsLaw(PanLaw law, double db)
    {
        var gains = PanGains.Mono(0, law);

        Assert.Equal(db, 20 * Math.Log10(gains.Left), 4);
        Assert.Equal(gains.Left, gains.Right, 12);
    }

    [Theory]
    [InlineData(-1)]
    [InlineData(-0.4)]
    [InlineData(0.7)]
    public void Mono_WithConstantPower_KeepsThePower(double pan)
    {
        var gains = PanGains.Mono(pan, PanLaw.ConstantPower);

        Assert.Equal(1, gains.Left * gains.Left + gains.Right * gains.Right, 12);
    }

    [Fact]
    public void Balance_ToOneSide_LeavesThatSideAndSilencesTheOther()
    {
        var gains = PanGains.Balance(1, PanLaw.ConstantPower);

        Assert.Equal(1, gains.Right);
        Assert.Equal(0, gains.Left, 12);
        Assert.Equal(1, PanGains.Balance(0, PanLaw.ConstantPower).Left, 12);
        Assert.Equal(1, PanGains.Balance(0, PanLaw.ConstantPower).Right, 12);
    }

    [Theory]
    [InlineData(0, 1)]
    [InlineData(-20, 0.1)]
    [InlineData(6.0206, 2)]
    public void Linear_IsTwentyLogTen(double db, double ratio)
    {
        Assert.Equal(ratio, new Decibels(db).Linear, 5);
    }

    [Theory]
    [InlineData(double.NaN)]
    [InlineData(double.PositiveInfinity)]
    public void Decibels_ThatAreNoLevel_CannotBeMade(double db)
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => new Decibels(db));
    }
}
