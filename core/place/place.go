// Package place reckons what a place is like through the year: its light and sun by window,
// lamp and shade, and its nights by what stands between it and the outdoors.
package place

import (
	"cmp"
	"errors"
	"math"

	"tendermend/core/sky"
)

// Site is where a collection is.
type Site struct {
	Latitude float64   `json:"latitude" minimum:"-89" maximum:"89" doc:"Degrees, south negative."`
	Sky      sky.Cloud `json:"sky" enum:"cloudy,mixed,sunny" doc:"How clear it is in this climate."`
	// Nights holds how cold the nights usually are, January first.
	Nights []float64 `json:"nights" minimum:"-60" maximum:"80" minItems:"12" maxItems:"12" doc:"Night minima, °C."`
	// Assumed says that nobody has said so yet.
	Assumed bool `json:"assumed,omitempty" doc:"Whether it is only assumed, by the time zone."`
}

// Setting is what stands between a place and the outdoors.
type Setting string

// The settings.
const (
	Outdoors Setting = "outdoors"
	Porch    Setting = "porch"
	ColdRoom Setting = "cold-room"
	Sill     Setting = "sill"
	Room     Setting = "room"
)

// Blocked is what hides the sky before a window, by eye.
type Blocked string

// How much of the sky is hidden.
const (
	Open   Blocked = "open"
	Some   Blocked = "some"
	Half   Blocked = "half"
	Walled Blocked = "walled"
)

// Curtain is what hangs before it.
type Curtain string

// The curtains.
const (
	NoCurtain Curtain = "none"
	Sheer     Curtain = "sheer"
	Blind     Curtain = "blind"
)

// LitBy is the window that lights a place; outdoors its aspect is where it is open to.
type LitBy struct {
	Aspect    string  `json:"aspect" enum:"N,NE,E,SE,S,SW,W,NW" doc:"Where it looks, by compass."`
	WidthM    float64 `json:"widthM,omitempty" minimum:"0" maximum:"20" doc:"Metres; 1.2 where left out."`
	HeightM   float64 `json:"heightM,omitempty" minimum:"0" maximum:"10" doc:"Metres; 1.2 where left out."`
	DistanceM float64 `json:"distanceM,omitempty" minimum:"0" maximum:"20" doc:"From the glass to the plants, metres."`
	Blocked   Blocked `json:"blocked,omitempty" enum:"open,some,half,walled" doc:"What hides the sky."`
	Curtain   Curtain `json:"curtain,omitempty" enum:"none,sheer,blind"`
	Roof      bool    `json:"roof,omitempty" doc:"A window in the roof."`
	UnderSill bool    `json:"underSill,omitempty" doc:"Whether the plants stand below the sill."`
}

// Lamp is a lamp over a place.
type Lamp struct {
	PPFD  float64 `json:"ppfd" minimum:"0" maximum:"2500" doc:"Light at the leaves, µmol a square metre and second."`
	Hours float64 `json:"hours" minimum:"0" maximum:"24" doc:"Hours a day."`
}

// TypedAir is what one knows of a place's air by heart.
type TypedAir struct {
	Day      *float64 `json:"day,omitempty" minimum:"-20" maximum:"50" doc:"By day, °C."`
	Night    *float64 `json:"night,omitempty" minimum:"-20" maximum:"45" doc:"By night, °C."`
	Humidity *float64 `json:"humidity,omitempty" minimum:"1" maximum:"100" doc:"Percent."`
}

// Details are what is known of a place.
type Details struct {
	Setting Setting   `json:"setting" enum:"outdoors,porch,cold-room,sill,room"`
	Window  *LitBy    `json:"window,omitempty" doc:"Missing where no window lights it."`
	Lamp    *Lamp     `json:"lamp,omitempty"`
	Winter  *TypedAir `json:"winter,omitempty" doc:"Its air in the cold half of the year, where somebody typed it."`
	Summer  *TypedAir `json:"summer,omitempty"`
	// Slots is how many plants it holds and HeightCM how tall one may be; 0 where nobody
	// said so.
	Slots    int     `json:"slots,omitempty" minimum:"0" maximum:"5000" doc:"Plants that it holds; 0 where nobody said."`
	HeightCM float64 `json:"heightCm,omitempty" minimum:"0" maximum:"1000" doc:"How tall a plant may be there; 0 for any."`
	Reach    bool    `json:"reach,omitempty" doc:"Whether children or animals reach it."`
	Fan      bool    `json:"fan,omitempty" doc:"Whether a fan moves its air."`
}

// The shares of light that come through (memory of building physics; glass ±10 %).
const (
	glass, dirt   = 0.75, 0.92
	usualWindow   = 1.2 // metres
	aboveSill     = 0.2 // metres that the leaves stand above the sill
	groundThrows  = 0.2 // share of the light that the ground throws back
	roomThrows    = 0.01
	underSillPart = 0.3
)

// hides tells what share of the sky is seen and how many degrees of it are hidden at its foot.
var hides = map[Blocked]struct{ seen, degrees float64 }{
	Open: {1, 5}, Some: {0.7, 15}, Half: {0.45, 30}, Walled: {0.2, 50},
}

var passes = map[Curtain]float64{NoCurtain: 1, Sheer: 0.5, Blind: 0.25}

// aspects are degrees from south, west positive.
var aspects = map[string]float64{
	"N": 180, "NE": -135, "E": -90, "SE": -45, "S": 0, "SW": 45, "W": 90, "NW": 135,
}

// Check says what is wrong with a place as it is described; nil where nothing is.
func (p Details) Check() error {
	if _, known := couplings[p.Setting]; !known {
		return errors.New("say what stands between it and the outdoors: a room, a sill, a cold room, a porch or nothing")
	}
	if w := p.Window; w != nil {
		if _, known := aspects[w.Aspect]; !known && !w.Roof {
			return errors.New("say where its window looks: N, NE, E, SE, S, SW, W or NW")
		}
	}
	return nil
}

func (w LitBy) width() float64  { return cmp.Or(w.WidthM, usualWindow) }
func (w LitBy) height() float64 { return cmp.Or(w.HeightM, usualWindow) }

func (w LitBy) seen() float64 { return hides[w.blocked()].seen }

func (w LitBy) blocked() Blocked {
	if _, known := hides[w.Blocked]; !known {
		return Open
	}
	return w.Blocked
}

func (w LitBy) through() float64 {
	if share, known := passes[w.Curtain]; known {
		return share
	}
	return 1
}

// fills is the share of what a leaf sees that the window fills, from its middle (the
// configuration factor of a rectangle, textbooks of heat transfer).
func (w LitBy) fills() float64 {
	d := w.DistanceM
	if d < 0.01 {
		return 1
	}
	a, b := w.width()/2/d, w.height()/2/d
	f := func(x, y float64) float64 {
		root := math.Sqrt(1 + x*x)
		return x / root * math.Atan(y/root)
	}
	share := 4 / (2 * math.Pi) * (f(a, b) + f(b, a))
	if w.UnderSill {
		share *= underSillPart
	}
	return share
}
