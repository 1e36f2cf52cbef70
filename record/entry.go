// Package record holds what happens to a plant: an append-only list of typed
// entries, how they are checked, and how they fold into the plant's state.
// Nothing is overwritten: a correction is a new entry that voids or replaces an
// old one.
package record

import (
	"math"
	"time"

	"github.com/google/uuid"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/roots"
	"tendermend/core/treatment/sheet"
	"tendermend/core/water"
	"tendermend/core/working"
)

// Kind names what an entry records.
type Kind string

// The kinds of entry. They stand in stored records: never rename or reuse one.
const (
	KindArrived   Kind = "arrived"
	KindExamined  Kind = "examined"
	KindDiagnosed Kind = "diagnosed"
	KindPlanned   Kind = "planned"
	KindDid       Kind = "did"
	KindWatered   Kind = "watered"
	KindWeighed   Kind = "weighed"
	KindProbed    Kind = "probed"
	KindChecked   Kind = "checked"
	KindMoved     Kind = "moved"
	KindTallied   Kind = "tallied"
	KindFed       Kind = "fed"
	KindPotted    Kind = "potted"
	KindMetered   Kind = "metered"
	KindAdjusted  Kind = "adjusted"
	KindConfirmed Kind = "confirmed"
	KindPrepared  Kind = "prepared"
	KindTreated   Kind = "treated"
	KindStaged    Kind = "staged"
	KindGrown     Kind = "grown"
	KindPictured  Kind = "pictured"
	KindNoted     Kind = "noted"
	KindClosed    Kind = "closed"
	KindReopened  Kind = "reopened"
	KindVoided    Kind = "voided"
)

// Entry is one thing that happened to a plant. Its id is made by whoever
// records it, so that sending it twice does nothing twice.
type Entry struct {
	ID         uuid.UUID  `json:"id"`
	PlantID    uuid.UUID  `json:"plantId"`
	On         day.Day    `json:"on" doc:"The day it happened."`
	RecordedAt time.Time  `json:"recordedAt"`
	By         string     `json:"by" doc:"Who recorded it."`
	Replaces   *uuid.UUID `json:"replaces,omitempty" doc:"The entry that this one corrects."`
	Body
}

// Body holds what was recorded: exactly one of its fields is set.
type Body struct {
	Arrived   *Arrived   `json:"arrived,omitempty"`
	Examined  *Examined  `json:"examined,omitempty"`
	Diagnosed *Diagnosed `json:"diagnosed,omitempty"`
	Planned   *Planned   `json:"planned,omitempty"`
	Did       *Did       `json:"did,omitempty"`
	Watered   *Watered   `json:"watered,omitempty"`
	Weighed   *Weighed   `json:"weighed,omitempty"`
	Probed    *Probed    `json:"probed,omitempty"`
	Checked   *Checked   `json:"checked,omitempty"`
	Moved     *Moved     `json:"moved,omitempty"`
	Tallied   *Tallied   `json:"tallied,omitempty"`
	Fed       *Fed       `json:"fed,omitempty"`
	Potted    *Potted    `json:"potted,omitempty"`
	Metered   *Metered   `json:"metered,omitempty"`
	Adjusted  *Adjusted  `json:"adjusted,omitempty"`
	Confirmed *Confirmed `json:"confirmed,omitempty"`
	Prepared  *Prepared  `json:"prepared,omitempty"`
	Treated   *Treated   `json:"treated,omitempty"`
	Staged    *Staged    `json:"staged,omitempty"`
	Grown     *Grown     `json:"grown,omitempty"`
	Pictured  *Pictured  `json:"pictured,omitempty"`
	Noted     *Noted     `json:"noted,omitempty"`
	Closed    *Closed    `json:"closed,omitempty"`
	Reopened  *Reopened  `json:"reopened,omitempty"`
	Voided    *Voided    `json:"voided,omitempty"`
}

// parts lists the body's fields with their kinds; a part is checked by its own
// rules.
func (b Body) parts() map[Kind]part {
	all := map[Kind]part{}
	put := func(k Kind, set bool, p part) {
		if set {
			all[k] = p
		}
	}
	put(KindArrived, b.Arrived != nil, b.Arrived)
	put(KindExamined, b.Examined != nil, b.Examined)
	put(KindDiagnosed, b.Diagnosed != nil, b.Diagnosed)
	put(KindPlanned, b.Planned != nil, b.Planned)
	put(KindDid, b.Did != nil, b.Did)
	put(KindWatered, b.Watered != nil, b.Watered)
	put(KindWeighed, b.Weighed != nil, b.Weighed)
	put(KindProbed, b.Probed != nil, b.Probed)
	put(KindChecked, b.Checked != nil, b.Checked)
	put(KindMoved, b.Moved != nil, b.Moved)
	put(KindStaged, b.Staged != nil, b.Staged)
	put(KindGrown, b.Grown != nil, b.Grown)
	put(KindPictured, b.Pictured != nil, b.Pictured)
	put(KindNoted, b.Noted != nil, b.Noted)
	put(KindTallied, b.Tallied != nil, b.Tallied)
	put(KindFed, b.Fed != nil, b.Fed)
	put(KindPotted, b.Potted != nil, b.Potted)
	put(KindMetered, b.Metered != nil, b.Metered)
	put(KindAdjusted, b.Adjusted != nil, b.Adjusted)
	put(KindConfirmed, b.Confirmed != nil, b.Confirmed)
	put(KindPrepared, b.Prepared != nil, b.Prepared)
	put(KindTreated, b.Treated != nil, b.Treated)
	put(KindClosed, b.Closed != nil, b.Closed)
	put(KindReopened, b.Reopened != nil, b.Reopened)
	put(KindVoided, b.Voided != nil, b.Voided)
	return all
}

// Kind names the one field that is set; empty when none or several are.
func (b Body) Kind() Kind {
	parts := b.parts()
	if len(parts) != 1 {
		return ""
	}
	for k := range parts {
		return k
	}
	return ""
}

// Packing says how a plant travelled.
type Packing string

// How plants arrive.
const (
	Unpacked     Packing = "unpacked"
	PackedDry    Packing = "dry"
	PackedWet    Packing = "wet"
	PackedCold   Packing = "cold"
	WeeksInBox   Packing = "weeks-in-box"
	PackingOther Packing = "unknown"
)

// Arrived takes a plant in.
type Arrived struct {
	Name       string     `json:"name" maxLength:"120" doc:"What it is called here."`
	Label      string     `json:"label,omitempty" maxLength:"24" doc:"The code on its label."`
	Profile    string     `json:"profile,omitempty" doc:"Its kind; empty when unknown."`
	Habit      string     `json:"habit" doc:"Its growth habit, enough when the kind is unknown."`
	From       string     `json:"from,omitempty" maxLength:"120"`
	Price      *float64   `json:"price,omitempty" doc:"What was paid, in the collection's money."`
	Packing    Packing    `json:"packing,omitempty" enum:"unpacked,dry,wet,cold,weeks-in-box,unknown"`
	PotWidthCM *float64   `json:"potWidthCm,omitempty" doc:"Inner width of its pot, cm."`
	PotDepthCM *float64   `json:"potDepthCm,omitempty" doc:"Depth of its pot, cm."`
	Medium     string     `json:"medium,omitempty" maxLength:"120"`
	Leaves     *int       `json:"leaves,omitempty"`
	Growths    *int       `json:"growths,omitempty" doc:"Bulbs, canes, rosettes or stems."`
	Place      *uuid.UUID `json:"place,omitempty"`
	Isolated   bool       `json:"isolated"`
	Mother     *uuid.UUID `json:"mother,omitempty" doc:"The plant here that it is a piece of."`
	Note       string     `json:"note,omitempty" maxLength:"2000"`
}

// Examined is one look for signs.
type Examined struct {
	Present []string `json:"present" doc:"Signs seen."`
	Absent  []string `json:"absent" doc:"Signs looked for and not there."`
	// Overruled are signs that the record suggests and the carer rejects.
	Overruled []Overruled `json:"overruled,omitempty"`
	Note      string      `json:"note,omitempty" maxLength:"2000"`
	// What the differential said at the time, so that its history can be read and
	// held against what was confirmed later. Filled in when it is recorded.
	Chances []diagnosis.CauseChance `json:"chances,omitempty"`
	Tables  string                  `json:"tables,omitempty"`
}

// Overruled is a derived sign set aside, with the reason.
type Overruled struct {
	Sign   string `json:"sign"`
	Reason string `json:"reason" maxLength:"300"`
}

// Diagnosed accepts causes, or sets the plant aside to be watched.
type Diagnosed struct {
	Causes []string `json:"causes" doc:"Accepted causes, the main one first; none means to watch."`
	Reason string   `json:"reason,omitempty" maxLength:"2000"`
	// What the differential said at the time, kept so that it can be read as it
	// was made. Filled in when it is recorded.
	Chances []diagnosis.CauseChance `json:"chances,omitempty"`
	Tables  string                  `json:"tables,omitempty"`
}

// Planned is the plan as composed on that day.
type Planned struct {
	Answers sheet.Answers `json:"answers"`
	// Keeps is true where a plan is made anew in the middle of the same work: the
	// steps that were done stay done.
	Keeps bool `json:"keeps,omitempty"`
	// Plan is composed when it is recorded.
	Plan *sheet.Plan `json:"plan,omitempty"`
}

// Did ticks a step of the plan, or skips it with a reason.
type Did struct {
	Step    string `json:"step"`
	Skipped bool   `json:"skipped"`
	Reason  string `json:"reason,omitempty" maxLength:"300"`
	Note    string `json:"note,omitempty" maxLength:"2000"`
	Used    []Used `json:"used,omitempty" maxItems:"30" doc:"What it took from the cupboard."`
}

// Used is what a step took of a supply.
type Used struct {
	Supply uuid.UUID `json:"supply"`
	Amount float64   `json:"amount" doc:"In the supply's unit."`
}

// Prepared is a result of the bench that is kept with a plant: amounts with
// their workings.
type Prepared struct {
	What    string           `json:"what" maxLength:"120"`
	Amounts []working.Amount `json:"amounts" maxItems:"30"`
	Note    string           `json:"note,omitempty" maxLength:"2000"`
}

// Treated is a product used by its label. The dose is what the label says,
// typed in by the carer and multiplied; none is ever proposed.
type Treated struct {
	Product      string           `json:"product" maxLength:"120"`
	Batch        string           `json:"batch,omitempty" maxLength:"60"`
	Against      string           `json:"against,omitempty" doc:"Id of a cause."`
	Amounts      []working.Amount `json:"amounts,omitempty" maxItems:"10"`
	IntervalDays int              `json:"intervalDays,omitempty" doc:"Days until it may be repeated, by its label; 0 where it is not repeated."`
	ReentryHours float64          `json:"reentryHours,omitempty" doc:"Hours for which people and animals stay away, by its label."`
	Note         string           `json:"note,omitempty" maxLength:"2000"`
}

// Watered is one watering.
type Watered struct {
	Millilitres *float64 `json:"millilitres,omitempty"`
}

// Weighed is one weighing of pot and plant, or of the bare plant.
type Weighed struct {
	Grams float64 `json:"grams"`
	Bare  bool    `json:"bare,omitempty" doc:"Weighed without pot and medium: from such weighings the reserves of a plant without roots are reckoned."`
}

// Probed is what a stick to the bottom or a finger found.
type Probed struct {
	Moisture water.Moisture `json:"moisture" enum:"dry,barely,moist,wet"`
}

// Value is one reading at a check-in.
type Value struct {
	Measure string  `json:"measure"`
	Value   float64 `json:"value"`
}

// Checked is a check-in: the same things read in the same way.
type Checked struct {
	Readings []Value `json:"readings"`
	Note     string  `json:"note,omitempty" maxLength:"2000"`
}

// Isolation says how freely a plant may stand among the others.
type Isolation string

// The states of isolation.
const (
	Clean      Isolation = "clean"
	UnderWatch Isolation = "watch"
	Isolated   Isolation = "isolated"
)

// Moved puts the plant in another place or state of isolation.
type Moved struct {
	Place     *uuid.UUID `json:"place,omitempty"`
	Isolation Isolation  `json:"isolation,omitempty" enum:"clean,watch,isolated"`
	Reason    string     `json:"reason,omitempty" maxLength:"300"`
}

// Staged passes to the next stage of recovery, or steps back.
type Staged struct {
	Track  string `json:"track"`
	From   string `json:"from"`
	To     string `json:"to"`
	Reason string `json:"reason,omitempty" maxLength:"300" doc:"Wanted when stepping back, or on without the gate."`
	// GateOpen says whether the gate was met. Filled in when it is recorded.
	GateOpen bool `json:"gateOpen,omitempty"`
}

// Tallied is a count of live and dead roots.
type Tallied struct {
	roots.Tally
	Note string `json:"note,omitempty" maxLength:"2000"`
}

// Fed is one feeding.
type Fed struct {
	Strength float64 `json:"strength" doc:"Share of what the label gives for pot plants: 1 is label rate."`
	Product  string  `json:"product,omitempty" maxLength:"120"`
}

// Potted is a new pot or medium.
type Potted struct {
	WidthCM *float64 `json:"widthCm,omitempty" doc:"Inner width of the pot, cm."`
	DepthCM *float64 `json:"depthCm,omitempty" doc:"Depth of the pot, cm."`
	Medium  string   `json:"medium,omitempty" maxLength:"120" doc:"Fresh medium; empty where the old one stayed."`
}

// Metered is what was read of light and air at the plant's leaves.
type Metered struct {
	Lux         *float64     `json:"lux,omitempty" doc:"Light at leaf height, lux."`
	Lamp        climate.Lamp `json:"lamp,omitempty" enum:"sun,cool-white,metal-halide,high-pressure-sodium,incandescent"`
	Hours       *float64     `json:"hours,omitempty" doc:"Hours a day at about that light."`
	MinC        *float64     `json:"minC,omitempty" doc:"Lowest night, °C."`
	MaxC        *float64     `json:"maxC,omitempty" doc:"Highest day, °C."`
	HumidityPct *float64     `json:"humidityPct,omitempty" doc:"Relative humidity, per cent."`
}

// Adjusted overrules for one plant what its kind is said to want. It stands
// until the next one; an empty one gives the kind's own wishes back.
type Adjusted struct {
	plant.Wishes
	Reason string `json:"reason,omitempty" maxLength:"300"`
}

// Confirmed is what it turned out to be in the end.
type Confirmed struct {
	Causes []string `json:"causes" doc:"What it was, the main one first; none means that nothing was wrong."`
	How    string   `json:"how" enum:"seen,mended-by,laboratory,died-of,guess" doc:"How one knows."`
	Note   string   `json:"note,omitempty" maxLength:"2000"`
}

// Grown is one look at one growth: its first one begins a strand, later ones
// lengthen it or say what became of it. What is empty stays as it was.
type Grown struct {
	Growth   uuid.UUID            `json:"growth" doc:"Id of the strand, made by the sender when it begins."`
	Sort     recovery.GrowthSort  `json:"sort,omitempty" enum:"leaf,bulb,cane,shoot,spike,plantlet,root" doc:"Wanted when it begins."`
	Name     string               `json:"name,omitempty" maxLength:"60"`
	CameWith bool                 `json:"cameWith,omitempty" doc:"Whether it came with the plant."`
	SizeMM   *float64             `json:"sizeMm,omitempty"`
	State    recovery.GrowthState `json:"state,omitempty" enum:"starting,growing,mature,stalled,lost"`
	Picture  *uuid.UUID           `json:"picture,omitempty" doc:"The picture on which it was measured."`
}

// Side is from where a picture was taken.
type Side string

// The sides of a plant, so that pictures can be laid over each other.
const (
	SideFront Side = "front"
	SideLeft  Side = "left"
	SideRight Side = "right"
	SideBack  Side = "back"
	SideTop   Side = "top"
	SideBase  Side = "base"
	SideRoots Side = "roots"
)

// Sides lists the sides, the usual one first.
var Sides = []Side{SideFront, SideLeft, SideRight, SideBack, SideTop, SideBase, SideRoots}

// Pictured is a picture of the plant.
type Pictured struct {
	Picture uuid.UUID `json:"picture" doc:"Id of the picture, which was sent before."`
	Side    Side      `json:"side" enum:"front,left,right,back,top,base,roots"`
	Scale   *Scale    `json:"scale,omitempty" doc:"What is known of its scale."`
	Note    string    `json:"note,omitempty" maxLength:"2000"`
}

// Scale is a length on a picture that is known: from one point to another, both
// as shares of the picture's width, it is so many mm.
type Scale struct {
	X1 float64 `json:"x1"`
	Y1 float64 `json:"y1" doc:"As a share of the width as well."`
	X2 float64 `json:"x2"`
	Y2 float64 `json:"y2"`
	MM float64 `json:"mm"`
	Of string  `json:"of,omitempty" maxLength:"60" doc:"What it was measured on: the pot."`
}

// WidthMM gives what the whole width of the picture shows, in mm, at the
// distance of what was measured; 0 where both points are one.
func (s Scale) WidthMM() float64 {
	length := math.Hypot(s.X2-s.X1, s.Y2-s.Y1)
	if length == 0 {
		return 0
	}
	return s.MM / length
}

// Noted is a free note.
type Noted struct {
	Text string `json:"text" maxLength:"4000"`
}

// Outcome is how a case ended.
type Outcome string

// The outcomes.
const (
	OutcomeMended Outcome = "mended"
	OutcomeGiven  Outcome = "given-away"
	OutcomeLost   Outcome = "lost"
	// OutcomeKept ends the case and goes on looking, as at any plant that is well.
	OutcomeKept Outcome = "kept-under-watch"
)

// Closed ends the case.
type Closed struct {
	Outcome Outcome `json:"outcome" enum:"mended,given-away,lost,kept-under-watch"`
	Reason  string  `json:"reason,omitempty" maxLength:"2000"`
}

// Reopened takes a closed case up again.
type Reopened struct {
	Reason string `json:"reason,omitempty" maxLength:"2000"`
}

// Voided takes an entry back. Voiding a voiding entry brings the old one back.
type Voided struct {
	Entry  uuid.UUID `json:"entry"`
	Reason string    `json:"reason,omitempty" maxLength:"300"`
}
