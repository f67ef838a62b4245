using System.Text;

namespace HomeStage.Core.Values;

/// <summary>Letters with their accents as one character each, as people type them; some file systems take them apart.</summary>
/// <remarks>Canonical compositions of Latin letters with one mark: The Unicode Standard, UnicodeData.txt, of the blocks up to Latin Extended-B and of Latin Extended
/// Additional. The platform's own normalization is of no use here: it needs a library that not every machine has.</remarks>
public static class ComposedText
{
    private const char FirstMark = '\u0300';
    private const char LastMark = '\u036F';

    /// <summary>By mark: each letter, and what it is with the mark.</summary>
    private static readonly Dictionary<char, string> Pairs = new()
    {
        ['\u0300'] = "AÀEÈIÌOÒUÙaàeèiìoòuùÜǛüǜNǸnǹĒḔēḕŌṐōṑWẀwẁÂẦâầĂẰăằÊỀêềÔỒôồƠỜơờƯỪưừYỲyỳ", // grave
        ['\u0301'] = "AÁEÉIÍOÓUÚYÝaáeéiíoóuúyýCĆcćLĹlĺNŃnńRŔrŕSŚsśZŹzźÜǗüǘGǴgǵÅǺåǻÆǼæǽØǾøǿÇḈçḉĒḖēḗÏḮïḯKḰkḱMḾmḿÕṌõṍŌṒōṓPṔpṕŨṸũṹWẂwẃÂẤâấĂẮăắÊẾêếÔỐôốƠỚơớƯỨưứ", // acute
        ['\u0302'] = "AÂEÊIÎOÔUÛaâeêiîoôuûCĈcĉGĜgĝHĤhĥJĴjĵSŜsŝWŴwŵYŶyŷZẐzẑẠẬạậẸỆẹệỌỘọộ", // circumflex
        ['\u0303'] = "AÃNÑOÕaãnñoõIĨiĩUŨuũVṼvṽÂẪâẫĂẴăẵEẼeẽÊỄêễÔỖôỗƠỠơỡƯỮưữYỸyỹ", // tilde
        ['\u0304'] = "AĀaāEĒeēIĪiīOŌoōUŪuūÜǕüǖÄǞäǟȦǠȧǡÆǢæǣǪǬǫǭÖȪöȫÕȬõȭȮȰȯȱYȲyȳGḠgḡḶḸḷḹṚṜṛṝ", // macron
        ['\u0306'] = "AĂaăEĔeĕGĞgğIĬiĭOŎoŏUŬuŭȨḜȩḝẠẶạặ", // breve
        ['\u0307'] = "CĊcċEĖeėGĠgġIİZŻzżAȦaȧOȮoȯBḂbḃDḊdḋFḞfḟHḢhḣMṀmṁNṄnṅPṖpṗRṘrṙSṠsṡŚṤśṥŠṦšṧṢṨṣṩTṪtṫWẆwẇXẊxẋYẎyẏſẛ", // dot above
        ['\u0308'] = "AÄEËIÏOÖUÜaäeëiïoöuüyÿYŸHḦhḧÕṎõṏŪṺūṻWẄwẅXẌxẍtẗ", // diaeresis
        ['\u0309'] = "AẢaảÂẨâẩĂẲăẳEẺeẻÊỂêểIỈiỉOỎoỏÔỔôổƠỞơởUỦuủƯỬưửYỶyỷ", // hook above
        ['\u030A'] = "AÅaåUŮuůwẘyẙ", // ring above
        ['\u030B'] = "OŐoőUŰuű", // double acute
        ['\u030C'] = "CČcčDĎdďEĚeěLĽlľNŇnňRŘrřSŠsšTŤtťZŽzžAǍaǎIǏiǐOǑoǒUǓuǔÜǙüǚGǦgǧKǨkǩƷǮʒǯjǰHȞhȟ", // caron
        ['\u030F'] = "AȀaȁEȄeȅIȈiȉOȌoȍRȐrȑUȔuȕ", // double grave
        ['\u0311'] = "AȂaȃEȆeȇIȊiȋOȎoȏRȒrȓUȖuȗ", // inverted breve
        ['\u031B'] = "OƠoơUƯuư", // horn
        ['\u0323'] = "BḄbḅDḌdḍHḤhḥKḲkḳLḶlḷMṂmṃNṆnṇRṚrṛSṢsṣTṬtṭVṾvṿWẈwẉZẒzẓAẠaạEẸeẹIỊiịOỌoọƠỢơợUỤuụƯỰưựYỴyỵ", // dot below
        ['\u0324'] = "UṲuṳ", // diaeresis below
        ['\u0325'] = "AḀaḁ", // ring below
        ['\u0326'] = "SȘsșTȚtț", // comma below
        ['\u0327'] = "CÇcçGĢgģKĶkķLĻlļNŅnņRŖrŗSŞsşTŢtţEȨeȩDḐdḑHḨhḩ", // cedilla
        ['\u0328'] = "AĄaąEĘeęIĮiįUŲuųOǪoǫ", // ogonek
        ['\u032D'] = "DḒdḓEḘeḙLḼlḽNṊnṋTṰtṱUṶuṷ", // circumflex below
        ['\u032E'] = "HḪhḫ", // breve below
        ['\u0330'] = "EḚeḛIḬiḭUṴuṵ", // tilde below
        ['\u0331'] = "BḆbḇDḎdḏKḴkḵLḺlḻNṈnṉRṞrṟTṮtṯZẔzẕhẖ", // macron below
    };

    private static readonly Dictionary<(char Letter, char Mark), char> Whole = Pairs
        .SelectMany(m => m.Value.Chunk(2).Select(p => (Letter: p[0], Mark: m.Key, Both: p[1]))).ToDictionary(p => (p.Letter, p.Mark), p => p.Both);

    /// <returns>The same object where no mark stands apart.</returns>
    public static string Of(string text)
    {
        if (text.AsSpan().IndexOfAnyInRange(FirstMark, LastMark) < 0)
            return text;
        var composed = new StringBuilder(text.Length);
        foreach (var c in text)
            if (composed.Length > 0 && Whole.TryGetValue((composed[^1], c), out var both))
                composed[^1] = both;
            else
                composed.Append(c);
        return composed.ToString();
    }
}
