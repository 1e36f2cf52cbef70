package climate

import "slices"

// Lamp is what gives the light that a lux meter reads.
type Lamp string

// The lamps of which the lux per µmol are known.
const (
	Sunlight     Lamp = "sun"
	CoolWhite    Lamp = "cool-white" // fluorescent tube; white LED lies near it
	MetalHalide  Lamp = "metal-halide"
	HighPressure Lamp = "high-pressure-sodium"
	Incandescent Lamp = "incandescent"
)

// Light is a lamp with the words for it.
type Light struct {
	ID    Lamp   `json:"id"`
	Label string `json:"label"`
}

// Lights lists what light comes from, the commonest first.
func Lights() []Light { return slices.Clone(lights) }

var lights = []Light{
	{Sunlight, "daylight"}, {CoolWhite, "white tube or LED"}, {MetalHalide, "metal halide"},
	{HighPressure, "high-pressure sodium"}, {Incandescent, "filament bulb"},
}

// luxPerPPFD is lux per µmol m⁻² s⁻¹ of light that plants use (Thimijan and
// Heins 1983, HortScience 18:818; from memory).
var luxPerPPFD = map[Lamp]float64{Sunlight: 54, CoolWhite: 74, MetalHalide: 71, HighPressure: 82, Incandescent: 50}

// LampKnown says whether the lamp's lux can be turned into PPFD.
func LampKnown(l Lamp) bool { return luxPerPPFD[l] > 0 }

// PPFD gives photosynthetic photon flux density in µmol m⁻² s⁻¹ from lux. An
// unknown lamp is taken as sunlight.
func PPFD(lux float64, l Lamp) float64 {
	factor, ok := luxPerPPFD[l]
	if !ok {
		factor = luxPerPPFD[Sunlight]
	}
	return lux / factor
}

// DLI gives the daily light integral in mol m⁻² d⁻¹ of a PPFD in µmol m⁻² s⁻¹
// that lasts for hours a day: PPFD × h × 0.0036.
func DLI(ppfd, hours float64) float64 { return ppfd * hours * 0.0036 }
