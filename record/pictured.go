package record

import (
	"math"
	"slices"

	"github.com/google/uuid"
)

// Pictured is a picture of the plant.
type Pictured struct {
	Picture uuid.UUID `json:"picture" doc:"Id of the picture, which was sent before."`
	Side    Side      `json:"side" enum:"front,left,right,back,top,base,roots"`
	Scale   *Scale    `json:"scale,omitempty" doc:"What is known of its scale."`
	Note    string    `json:"note,omitempty" maxLength:"2000"`
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
func Sides() []Side { return slices.Clone(sides) }

var sides = []Side{SideFront, SideLeft, SideRight, SideBack, SideTop, SideBase, SideRoots}

// Scale is a length on a picture that is known: from one point to another, both
// as shares of the picture's width, it is so many mm.
type Scale struct {
	X1 float64 `json:"x1" minimum:"-9999" maximum:"99999"`
	Y1 float64 `json:"y1" minimum:"-9999" maximum:"99999" doc:"As a share of the width as well."`
	X2 float64 `json:"x2" minimum:"-9999" maximum:"99999"`
	Y2 float64 `json:"y2" minimum:"-9999" maximum:"99999"`
	MM float64 `json:"mm" minimum:"-9999" maximum:"99999"`
	Of string  `json:"of,omitempty" maxLength:"60" doc:"What it was measured on: the pot."`
}

// KindPictured stands in stored records: it is never renamed or used for another.
const KindPictured Kind = "pictured"

// Kind names it.
func (*Pictured) Kind() Kind { return KindPictured }

func (p *Pictured) check(*situation) (faults Faults) {
	if !slices.Contains(sides, p.Side) {
		faults = append(faults, Fault{Field: "pictured.side", Message: "say from which side it was taken"})
	}
	if p.Scale == nil {
		return faults
	}
	if p.Scale.WidthMM() == 0 {
		faults = append(faults, Fault{Field: "pictured.scale", Message: "mark two points that lie apart"})
	}
	between(&faults, "pictured.scale.mm", &p.Scale.MM, 1, 5000, "mm")
	for _, share := range []float64{p.Scale.X1, p.Scale.X2, p.Scale.Y1, p.Scale.Y2} {
		if share < 0 || share > 10 {
			faults = append(faults, Fault{Field: "pictured.scale", Message: "mark the points inside the picture"})
			break
		}
	}
	return faults
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

func (p *Pictured) apply(s *State, e Entry) {
	s.Pictures = append(s.Pictures, PictureOn{e.On, e.ID, *p})
	s.looked(e.On)
}

func (*Pictured) event(State) (string, bool) { return "", false }

func (*Pictured) taken() taken { return whileHere }

func (*Pictured) effort() (Effort, int) { return ForLooks, 1 }
