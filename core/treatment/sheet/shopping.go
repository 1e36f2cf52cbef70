package sheet

import "strings"

// Item is something in the cupboard.
type Item struct {
	Name  string
	Unit  string // ml, l, g, kg or pieces
	Stock float64
	Price *float64 // of one unit
}

// Need is one line of a shopping list.
type Need struct {
	What  string   `json:"what"`
	Need  float64  `json:"need" doc:"How much the open steps take; 0 where only some of it is needed."`
	Unit  string   `json:"unit"`
	Stock *float64 `json:"stock,omitempty" doc:"What the cupboard holds, in the same unit."`
	Buy   float64  `json:"buy" doc:"What is missing."`
	Cost  *float64 `json:"cost,omitempty" doc:"Of what is used up, at your own price."`
}

// inUnit turns volumes and weights into another unit of the same sort.
func inUnit(value float64, from, to string) (float64, bool) {
	size := map[string]struct {
		sort   string
		factor float64
	}{"ml": {"v", 1}, "l": {"v", 1000}, "g": {"w", 1}, "kg": {"w", 1000}, "pieces": {"n", 1}}
	a, okA := size[from]
	b, okB := size[to]
	if !okA || !okB || a.sort != b.sort {
		return 0, false
	}
	return value * a.factor / b.factor, true
}

// Shopping lists what the open steps of a plan need, against what is in the
// cupboard: amounts of one thing are added up. Water is not bought.
func Shopping(steps []Step, cupboard []Item) []Need {
	list := []Need{}
	at := map[string]int{}
	add := func(what string, amount float64, unit string) {
		// A width, a strength or a number of days is nothing to buy.
		if _, bought := inUnit(1, unit, unit); !bought ||
			strings.Contains(what, "water") && !strings.Contains(what, "low-mineral") {
			return
		}
		key := strings.ToLower(what)
		i, known := at[key]
		if !known {
			i = len(list)
			at[key] = i
			list = append(list, Need{What: what, Unit: unit})
		}
		if more, ok := inUnit(amount, unit, list[i].Unit); ok {
			list[i].Need += more
		} else if list[i].Need == 0 {
			list[i].Need, list[i].Unit = amount, unit
		}
	}
	for _, s := range steps {
		for _, a := range s.Amounts {
			add(a.What, a.Value, a.Unit)
		}
	}
	for _, s := range steps {
		for _, m := range s.Materials {
			if _, known := at[strings.ToLower(m)]; !known {
				add(m, 0, "pieces")
			}
		}
	}
	for i := range list {
		list[i].against(cupboard)
	}
	return list
}

func (n *Need) against(cupboard []Item) {
	n.Buy = n.Need
	for _, item := range cupboard {
		if !strings.EqualFold(item.Name, n.What) &&
			!strings.HasPrefix(strings.ToLower(n.What), strings.ToLower(item.Name)+",") {
			continue
		}
		stock, ok := inUnit(item.Stock, item.Unit, n.Unit)
		if !ok {
			if n.Need > 0 {
				continue
			}
			n.Unit, stock = item.Unit, item.Stock
		}
		n.Stock = &stock
		n.Buy = max(0, n.Need-stock)
		if item.Price != nil {
			if used, ok := inUnit(n.Need, n.Unit, item.Unit); ok {
				cost := used * *item.Price
				n.Cost = &cost
			}
		}
		return
	}
}
