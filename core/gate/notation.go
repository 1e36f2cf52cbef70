package gate

import (
	"encoding/json"
	"fmt"
	"strings"

	"tendermend/core/facts"
)

// A plan that is written by hand, to be checked, may write its gates short, by
// phrases parted by commas or semicolons: "28 d, new leaf, r 0.25". Read takes
// exactly these phrases and refuses all else; nothing else reads a gate from words.

// phrases stand for one condition, or several, each.
var phrases = map[string]Gate{
	"new growth":       {See(NewGrowth)},
	"first new growth": {See(NewGrowth)},
	"growth begun":     {See(Growth)},
	"in growth":        {See(Growth)},
	"growing":          {See(Growth)},
	"growth":           {See(Growth)},
	"growth begins":    {See(Growth)},
	"tips":             {See(Tip)},
	"tip":              {See(Tip)},
	"nubs":             {See(Nub)},
	"rooted":           {See(PieceRoot)},
	"green":            {See(Greened)},
	"crust gone":       {See(CrustGone)},
	"light_best":       {See(BestLight)},
	"wean":             {See(Weaned)},
	"stage ends":       {See(StageEnd)},
	"the core: dry":    {IsDry()},
	"top half dry":     {IsDry()},
	"new leaf":         {See(NewLeaf)},
	"leaf":             {See(NewLeaf)},
	"roots":            {See(NewRoot)},
	"a new leaf":       {See(NewLeaf)},
	"new leaf or tip":  {OneOf(See(NewLeaf), See(Tip))},
	"new spear":        {See(NewSpear)},
	"new croziers":     {See(NewGrowth)},
	"new tip":          {See(Tip)},
	"a new tip":        {See(Tip)},
	"a new tip or leaf": {
		OneOf(See(Tip), See(NewLeaf)),
	},
	"a tip seen":                {See(Tip)},
	"resists a nudge":           {See(Nudge)},
	"no rocking or a new point": {OneOf(See(Nudge), See(NewGrowth))},
	"last flower":               {See(Bloomed)},
	"new keiki":                 {See(Offset)},
	"side shoot or pup":         {See(Offset)},
	"new keiki or side shoot":   {See(Offset)},
	"up to 9 mo":                {},
	"up to 9 months":            {},
	"pups 1/3":                  {See(GrownOffset)},
	"a third of its mother":     {See(GrownOffset)},
	"own roots":                 {See(GrownOffset)},
	"firm":                      {FirmFor(0)},
	"firm for a day":            {FirmFor(1)},
	"due":                       {IsDry()},
	"moist":                     {IsMoist()},
	"moist again":               {IsMoist()},
	"spring":                    {In(Spring()...)},
	"spring warmth":             {In(Spring()...)},
	"repot season: spring":      {In(Spring()...)},
	"late winter":               {In(LateWinter()...)},
	"no live rot":               {WithoutRot()},
	"after release":             {IsFree()},
}

// counted are phrases with numbers, as a format for Sscanf, with what they stand for.
var counted = []struct {
	format string
	makes  func(a, b float64) Condition
}{
	{"%g clean days without a new mark", func(a, _ float64) Condition { return QuietFor(int(a), 0) }},
	{"%g d without a new mark", func(a, _ float64) Condition { return QuietFor(int(a), 0) }},
	{"%g clean days", func(a, _ float64) Condition { return CleanFor(int(a), 0) }},
	{"%g d on the tray", func(a, _ float64) Condition { return DaysSince(facts.OnATray, int(a)) }},
	{"%g d after potting", func(a, _ float64) Condition { return DaysSince(facts.Potted, int(a)) }},
	{"%g d later", func(a, _ float64) Condition { return DaysSince(facts.Before, int(a)) }},
	{"%g d at least", func(a, _ float64) Condition { return OnDay(int(a)) }},
	{"%g d", func(a, _ float64) Condition { return DaysSince(facts.SatRoots, int(a)) }},
	{"d%g at least", func(a, _ float64) Condition { return OnDay(int(a)) }},
	{"d%g", func(a, _ float64) Condition { return OnDay(int(a)) }},
	{"day %g", func(a, _ float64) Condition { return DaysSince(facts.Came, int(a)) }},
	{"in range %g d", func(a, _ float64) Condition { return InRange(int(a)) }},
	{"r %g", func(a, _ float64) Condition { return Alive(a) }},
	{"%g new leaves", func(a, _ float64) Condition { return Count(NewLeaf, a, 0) }},
	{"%g clean new leaves", func(a, _ float64) Condition { return Count(CleanLeaf, a, 0) }},
	{"%g tips of %g cm", func(a, b float64) Condition { return Count(Tip, a, b) }},
	{"%g new tips of %g cm", func(a, b float64) Condition { return Count(Tip, a, b) }},
	{"%g roots of %g cm", func(a, b float64) Condition { return Count(OffsetRoot, a, b) }},
	{"%g roots %g cm", func(a, b float64) Condition { return Count(OffsetRoot, a, b) }},
	{"roots %g-%g cm on new growth", func(a, b float64) Condition {
		return Condition{Is: Counted, Sight: NewRoot, FromCM: a, ToCM: b}
	}},
	{"roots %g cm", func(a, _ float64) Condition { return Count(NewRoot, 0, a) }},
}

// Read reads a gate written short. It fails on a phrase that it does not know.
func Read(short string) (Gate, error) {
	var g Gate
	parts := strings.NewReplacer(" and ", ",", ";", ",").Replace(short)
	for part := range strings.SplitSeq(parts, ",") {
		if strings.TrimSpace(part) == "" {
			continue
		}
		part = strings.TrimSpace(part)
		if n := 0; len(g) > 0 && scans(part, "%d looks", &n) {
			g[len(g)-1].Looks = n
			continue
		}
		more, err := phrase(part)
		if err != nil {
			return nil, err
		}
		g = append(g, more...)
	}
	return g, nil
}

func phrase(words string) (Gate, error) {
	if g, known := phrases[words]; known {
		return g, nil
	}
	for _, p := range counted {
		var a, b float64
		if strings.Count(p.format, "%") == 2 && scans(words, p.format, &a, &b) ||
			strings.Count(p.format, "%") == 1 && scans(words, p.format, &a) {
			return Gate{p.makes(a, b)}, nil
		}
	}
	return nil, fmt.Errorf("gate: %q is not how a gate is written; write it as a list of conditions", words)
}

// scans says whether words are a format to their end.
func scans(words, format string, to ...any) bool {
	var rest string
	n, err := fmt.Sscanf(words+" .", format+" %s", append(to, &rest)...)
	return err == nil && n == len(to)+1 && rest == "."
}

// UnmarshalJSON reads a list of conditions, or a gate written short.
func (g *Gate) UnmarshalJSON(raw []byte) (err error) {
	var short string
	if json.Unmarshal(raw, &short) == nil {
		*g, err = Read(short)
		return err
	}
	var list []Condition
	if err := json.Unmarshal(raw, &list); err != nil {
		return err
	}
	*g = list
	return nil
}
