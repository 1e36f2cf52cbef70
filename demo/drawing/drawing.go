// Package drawing draws made-up plants as a carer's pictures would show them,
// to scale: leaves, growths and pot have the sizes that the simulation gives
// them, so that they can be measured on the picture.
package drawing

import (
	"image"
	"image/color"
	"math"
	"math/rand/v2"

	"git.sr.ht/~sbinet/gg"
)

// Size of a picture in pixels.
const (
	Width  = 480
	Height = 576
)

// Blade is one leaf to draw.
type Blade struct {
	MM     float64
	Yellow bool
}

// Scene is what a picture shows.
type Scene struct {
	Figure  string // the drawing that stands for the plant's habit
	Blades  []Blade
	Bulbs   []float64 // heights, mm
	Roots   []float64 // lengths of roots that show in a clear pot, mm
	Limp    bool
	PotMM   float64 // width of the pot
	FrameMM float64 // width of the largest pot it ever had: it sets the scale
	DeepMM  float64
	Largest float64 // mm of the largest leaf it ever has: it sets the scale
	Clear   bool    // the pot is a clear one
	Cover   bool    // it stands under a clear cover
	Pests   float64
	Seed    uint64
}

// Pot says where the rim of the pot is: from left to right, in pixels.
type Pot struct{ X1, X2, Y float64 }

// pixels to the mm: the pot is at most a third of the picture, and the largest
// leaves still fit.
func (s Scene) scale() float64 {
	leaf := 205.0
	if s.Figure == "vine" || s.Figure == "creeper" || s.Figure == "tree" {
		leaf = 128 // on a stem that leans, leaves reach further out
	}
	return min(150/s.FrameMM, leaf/max(s.Largest, 40))
}

type pen struct {
	*gg.Context
	s      Scene
	px     float64
	chance *rand.Rand
	x, y   float64 // where the plant leaves the medium
}

var (
	paper = color.RGBA{237, 232, 219, 255}
	shelf = color.RGBA{205, 190, 164, 255}
	clay  = color.RGBA{186, 120, 88, 255}
	glass = color.RGBA{214, 224, 222, 255}
	mud   = color.RGBA{92, 74, 58, 255}
	ink   = color.RGBA{52, 54, 46, 255}
)

// Rim says where the pot's rim is on the picture.
func Rim(s Scene) Pot {
	w := s.PotMM * s.scale()
	return Pot{float64(Width)/2 - w/2, float64(Width)/2 + w/2, Height - 40 - s.tall()}
}

// tall is the height of the pot in pixels.
func (s Scene) tall() float64 { return min(max(s.DeepMM*s.scale(), 48), 176) }

// Draw gives the picture.
func Draw(s Scene) image.Image {
	p := &pen{Context: gg.NewContext(Width, Height), s: s, px: s.scale(), chance: rand.New(rand.NewPCG(s.Seed, 4))}
	p.ground()
	p.pot()
	switch s.Figure {
	case "bulbed", "deciduous":
		p.bulbs()
	case "single-stem":
		p.fan(0.16)
	case "vine", "creeper":
		p.vine(false)
	case "wax-vine", "trailer":
		p.vine(true)
	case "tree":
		p.tree()
	case "rosette", "cup":
		p.rosette()
	case "frond", "palm":
		p.fronds()
	default:
		p.clump()
	}
	if s.Cover {
		p.cover()
	}
	return p.Image()
}

func (p *pen) ground() {
	p.SetColor(paper)
	p.Clear()
	// Light from the left in a few broad bands, as through a tall window.
	for i := range 5 {
		p.SetColor(color.NRGBA{255, 252, 244, uint8(150 - 28*i)})
		p.DrawRectangle(float64(i)*56, 0, 56, Height-56)
		p.Fill()
	}
	p.SetColor(shelf)
	p.DrawRectangle(0, Height-56, Width, 56)
	p.Fill()
}

func (p *pen) pot() {
	w, h := p.s.PotMM*p.px, p.s.tall()
	x, base := float64(Width)/2, float64(Height-40)
	top := base - h
	p.SetColor(color.NRGBA{0, 0, 0, 28})
	p.DrawEllipse(x+12, base+4, w*0.48, 12)
	p.Fill()
	p.MoveTo(x-w/2, top)
	p.LineTo(x+w/2, top)
	p.LineTo(x+w*0.38, base)
	p.LineTo(x-w*0.38, base)
	p.ClosePath()
	p.SetColor(clay)
	if p.s.Clear {
		p.SetColor(glass)
	}
	p.FillPreserve()
	p.SetColor(ink)
	p.SetLineWidth(2)
	p.Stroke()
	if p.s.Clear {
		p.SetColor(color.NRGBA{120, 96, 70, 150})
		p.DrawRectangle(x-w*0.40, top+h*0.12, w*0.80, h*0.8)
		p.Fill()
		p.roots(x, top, w, h)
	}
	p.SetColor(mud)
	p.DrawEllipse(x, top+3, w*0.47, max(6, w*0.055))
	p.Fill()
	p.SetColor(ink)
	p.SetLineWidth(3)
	p.DrawLine(x-w/2, top, x+w/2, top)
	p.Stroke()
	p.x, p.y = x, top
}

func (p *pen) roots(x, top, w, h float64) {
	p.SetLineWidth(4)
	for i, mm := range p.s.Roots {
		long := min(mm*p.px, h*0.98)
		at := x + (float64(i%7)-3)*w*0.11
		p.MoveTo(at, top+2)
		p.CubicTo(at+10, top+long*0.3, at-12, top+long*0.7, at+6*float64(i%3-1), top+long)
		p.SetColor(color.RGBA{226, 232, 206, 255})
		p.Stroke()
		p.DrawCircle(at+6*float64(i%3-1), top+long, 3.4)
		p.SetColor(color.RGBA{110, 160, 80, 255})
		p.Fill()
	}
}

func (p *pen) green(b Blade, i int) color.Color {
	if b.Yellow {
		return color.RGBA{214, 184, 84, 255}
	}
	shift := uint8((i * 37) % 26)
	if p.s.Limp {
		return color.RGBA{128 + shift/2, 140, 88, 255}
	}
	return color.RGBA{74 + shift, 122 + shift/2, 66, 255}
}

// blade draws a leaf from a point, at an angle (0 is up, clockwise), as long as
// it is, and as wide as a share of that.
func (p *pen) blade(x, y, angle, long, share float64, c color.Color, bend float64) {
	p.Push()
	p.Translate(x, y)
	p.Rotate(angle)
	wide := long * share
	p.MoveTo(0, 0)
	p.CubicTo(-wide, -long*0.25, -wide*0.9+bend*0.4, -long*0.75, bend, -long)
	p.CubicTo(wide*0.9+bend*0.4, -long*0.75, wide, -long*0.25, 0, 0)
	p.ClosePath()
	p.SetColor(c)
	p.FillPreserve()
	p.SetColor(ink)
	p.SetLineWidth(1.6)
	p.Stroke()
	p.MoveTo(0, 0)
	p.QuadraticTo(0, -long*0.5, bend*0.9, -long*0.94)
	p.SetLineWidth(1)
	p.SetColor(color.NRGBA{40, 60, 36, 140})
	p.Stroke()
	if p.s.Pests > 0.02 {
		p.SetColor(color.RGBA{250, 250, 246, 255})
		for range 1 + int(p.s.Pests*8) {
			p.DrawCircle((p.chance.Float64()-0.5)*wide*0.6, -long*(0.1+0.7*p.chance.Float64()), 3)
			p.Fill()
		}
	}
	p.Pop()
}

func (p *pen) stem(x1, y1, cx, cy, x2, y2, wide float64) {
	p.MoveTo(x1, y1)
	p.QuadraticTo(cx, cy, x2, y2)
	p.SetColor(color.RGBA{104, 128, 78, 255})
	p.SetLineWidth(wide)
	p.Stroke()
}

func (p *pen) droop() float64 {
	if p.s.Limp {
		return 0.7
	}
	return 0
}

// clump draws leaves on stalks from one point.
func (p *pen) clump() {
	n := len(p.s.Blades)
	for i, b := range p.s.Blades {
		spread := turn(i, n) * 2.2
		long := b.MM * p.px
		stalk := long*0.75 + 10
		angle := spread * (1 + p.droop())
		x, y := p.x+math.Sin(angle)*stalk, p.y-math.Cos(angle)*stalk*(1-0.4*p.droop())
		p.stem(p.x, p.y, p.x+math.Sin(angle/2)*stalk*0.5, p.y-stalk*0.7, x, y, 3)
		p.blade(x, y, angle*1.15+sign(spread)*p.droop(), long, 0.33, p.green(b, i), 0)
	}
}

// turn spreads leaves from -0.5 to 0.5 so that none hides another, however many
// there are: by the golden section, as on a stem.
func turn(i, n int) float64 {
	if n < 2 {
		return 0
	}
	_, part := math.Modf(float64(i)*0.618034 + 0.31)
	return part - 0.5
}

func sign(v float64) float64 {
	if v < 0 {
		return -1
	}
	return 1
}

// fan draws strap leaves in two rows, oldest lowest.
func (p *pen) fan(share float64) {
	for i, b := range p.s.Blades {
		side := float64(1 - 2*(i%2))
		angle := side * (1.25 - 0.09*float64(i) + 0.35*p.droop())
		p.blade(p.x, p.y-float64(i)*7, angle, b.MM*p.px, share, p.green(b, i), side*b.MM*p.px*0.12)
	}
}

// bulbs draws a row of bulbs, each with its leaves.
func (p *pen) bulbs() {
	n := max(len(p.s.Bulbs), 1)
	step := min(40, p.s.PotMM*p.px*0.86/float64(n))
	for i := range n {
		tall := 30 * p.px
		if i < len(p.s.Bulbs) {
			tall = max(p.s.Bulbs[i]*p.px, 10)
		}
		x := p.x + (float64(i)-float64(n-1)/2)*step
		for j, b := range p.s.Blades {
			if j%n == i {
				side := float64(1 - 2*((j/n)%2))
				angle := side*(0.22+0.12*float64(j/n)) + (float64(i)-float64(n-1)/2)*0.12 + side*p.droop()*0.7
				p.blade(x, p.y-tall*0.9, angle, b.MM*p.px, 0.11, p.green(b, j), side*10)
			}
		}
		p.DrawEllipse(x, p.y-tall/2, min(step*0.42, tall*0.38), tall/2)
		p.SetColor(color.RGBA{132, 158, 92, 255})
		p.FillPreserve()
		p.SetColor(ink)
		p.SetLineWidth(1.6)
		p.Stroke()
	}
}

// vine draws leaves along stems that climb, or hang over the rim.
func (p *pen) vine(hangs bool) {
	stems := max(1, min(3, len(p.s.Blades)/4))
	for k := range stems {
		side := float64(k) - float64(stems-1)/2
		x, y := p.x+side*16, p.y
		angle := side*0.5 + 0.1
		var list []int
		for i := range p.s.Blades {
			if i%stems == k {
				list = append(list, i)
			}
		}
		for n, i := range list {
			b := p.s.Blades[i]
			step := max(14, min(44, 330/float64(len(list))))
			if hangs {
				angle += sign(side+0.01) * 0.28
				if math.Abs(angle) > 2.7 {
					angle = sign(angle) * 2.7
				}
			} else {
				angle += 0.14 * math.Sin(float64(n)*1.3+float64(k))
			}
			nx, ny := x+math.Sin(angle)*step, y-math.Cos(angle)*step
			ny = min(ny, Height-60)
			p.stem(x, y, x, y, nx, ny, 3)
			turn := float64(1 - 2*(n%2))
			p.blade(nx, ny, angle+turn*(1.0+0.6*p.droop()), b.MM*p.px, 0.36, p.green(b, i), 0)
			x, y = nx, ny
		}
	}
}

func (p *pen) tree() {
	n := len(p.s.Blades)
	tall := min(360, 120+14*float64(n))
	p.MoveTo(p.x, p.y)
	p.LineTo(p.x, p.y-tall)
	p.SetColor(color.RGBA{112, 92, 66, 255})
	p.SetLineWidth(7)
	p.Stroke()
	for i, b := range p.s.Blades {
		side := float64(1 - 2*(i%2))
		y := p.y - tall*(0.3+0.7*float64(i+1)/float64(n))
		p.blade(p.x, y, side*(0.9+0.6*p.droop()), b.MM*p.px, 0.27, p.green(b, i), 0)
	}
}

func (p *pen) rosette() {
	n := len(p.s.Blades)
	for i, b := range p.s.Blades {
		angle := turn(i, n) * 2.5
		p.blade(p.x, p.y+2, angle, b.MM*p.px, 0.17, p.green(b, i), 0)
	}
}

func (p *pen) fronds() {
	n := len(p.s.Blades)
	for i, b := range p.s.Blades {
		angle := turn(i, n) * (2.3 + p.droop())
		long := b.MM * p.px
		ex, ey := p.x+math.Sin(angle)*long, p.y-math.Cos(angle)*long*0.9
		cx, cy := p.x+math.Sin(angle*0.4)*long*0.6, p.y-long*0.8
		p.stem(p.x, p.y, cx, cy, ex, ey, 2)
		for k := 1; k < 9; k++ {
			t := float64(k) / 9
			x := (1-t)*(1-t)*p.x + 2*(1-t)*t*cx + t*t*ex
			y := (1-t)*(1-t)*p.y + 2*(1-t)*t*cy + t*t*ey
			for _, side := range []float64{-1, 1} {
				p.blade(x, y, angle+side*1.2, long*0.2*(1.1-t*0.6), 0.2, p.green(b, i), 0)
			}
		}
	}
}

func (p *pen) cover() {
	p.SetColor(color.NRGBA{255, 255, 255, 90})
	p.DrawRoundedRectangle(p.x-190, 46, 380, p.y-20, 100)
	p.FillPreserve()
	p.SetColor(color.NRGBA{120, 130, 130, 160})
	p.SetLineWidth(2)
	p.Stroke()
}
