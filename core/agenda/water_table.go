package agenda

import t "tendermend/core/treatment"

var unrooted = []Role{Top, Cutting}

// lines are the rows, from what is particular to what is general (common practice of growers, from memory).
var lines = []line{
	{roles: []Role{Rooted}, habits: []t.HabitID{t.AirPlant}, bare: true, says: Line{
		Sign: "it is light and dull", Way: Dip, Every: 5, Longest: 5, Days: 14}},
	{roles: []Role{Rooted}, bare: true, says: Line{
		Sign: "its roots are pale", Way: Wet, Every: 1, Longest: 1, Days: 14}},

	{roles: []Role{Own}, says: Line{
		Sign: "the top 1 cm beside them is dry", Way: Pour, Every: 2, Longest: 4, Days: 14}},

	{roles: []Role{Boxed}, habits: []t.HabitID{t.JewelOrchid, t.Begonia, t.Gesneriad}, says: Line{
		Sign: "the moss is pale", Way: Mist, Every: 7, Longest: 14}},
	{roles: []Role{Boxed}, says: Line{Sign: "the moss is pale", Way: Mist, Every: 7, Longest: 21}},

	{roles: []Role{Leaf}, dry: true, says: Line{
		Sign: "its mix is dry through", Way: Pour, ML: 15, Every: 7, Longest: 14}},
	{roles: []Role{Leaf}, says: Line{Sign: "the top is pale", Way: Below, Every: 4, Longest: 10}},

	{roles: unrooted, habits: []t.HabitID{t.ForestCactus}, says: Line{
		Sign: "the top half is dry", Way: Pour, Every: 4, Longest: 10}},
	{roles: unrooted, dry: true, part: 0.1, says: Line{
		Sign: "the mix is dry through", Way: Pour, Every: 7, Longest: 14}},
	{roles: unrooted, habits: []t.HabitID{t.Carnivore}, says: Line{
		Sign: "the tray is empty", Way: Tray, Every: 2, Longest: 4}},
	{roles: unrooted, habits: []t.HabitID{t.Begonia, t.Gesneriad}, covered: true, says: Line{
		Sign: "the wall of the cover is dry or the top is pale", Way: Pour, Every: 7, Longest: 14}},
	{roles: unrooted, covered: true, says: Line{
		Sign: "the wall of the cover is dry or the top is pale", Way: Pour, Every: 7, Longest: 21}},
	{roles: unrooted, habits: []t.HabitID{t.SoftTrailer, t.Ivy}, part: 0.1, says: Line{
		Sign: "the top 1 cm is dry", Way: Pour, Every: 2, Longest: 4}},
	{roles: unrooted, habits: []t.HabitID{t.CaneFoliage, t.Woody, t.WaxVine}, part: 0.1, says: Line{
		Sign: "the top 2 cm are dry", Way: Pour, Every: 3, Longest: 7}},
	{roles: unrooted, part: 0.1, says: Line{Sign: "the top 2 cm are dry", Way: Pour, Every: 2, Longest: 4}},

	{roles: []Role{Rooted}, habits: []t.HabitID{t.Bromeliad}, says: Line{
		Sign: "the top 2 cm are dry", Way: Pour, Every: 4, Longest: 7, Days: 14}},
	{roles: []Role{Rooted}, habits: []t.HabitID{t.BulbPlant}, part: 0.1, says: Line{
		Sign: "the surface is dry", Way: Pour, Every: 5, Longest: 10, Days: 14}},
	{roles: []Role{Rooted}, dry: true, part: 0.1, says: Line{
		Sign: "the mix is dry through", Way: Pour, Every: 7, Longest: 14, Days: 28}},
	{roles: []Role{Rooted}, habits: []t.HabitID{t.Monopodial, t.Sympodial, t.WinterDeciduous}, says: Line{
		Sign: "the top is dry", Way: Through, Every: 3, Longest: 7, Days: 14}},
	{roles: []Role{Rooted, Part}, habits: []t.HabitID{t.Carnivore}, says: Line{
		Sign: "the tray is empty", Way: Tray, Every: 2, Longest: 4, Days: 14}},
	{roles: []Role{Rooted}, part: 0.25, says: Line{
		Sign: "the top quarter is dry", Way: Pour, Every: 3, Longest: 7, Days: 14}},

	{roles: []Role{Part}, habits: []t.HabitID{t.Rhizomatous, t.Fern}, says: Line{
		Sign: "the top 1 cm is dry", Way: Through, Every: 2, Longest: 4, Days: 14}},
	{roles: []Role{Part}, dry: true, says: Line{
		Sign: "the mix is dry through", Way: Through, Every: 7, Longest: 14, Days: 28}},
	{roles: []Role{Top, Cutting, Leaf, Boxed, Rooted, Part, Own}, says: Line{
		Sign: "the top 1 cm is dry", Way: Through, Every: 3, Longest: 7, Days: 14}},
}

// Fallback is the sip of a dry piece that has not shown yet that it holds, from FallbackFrom days after it was set: a
// gate alone is no line of water (common practice of growers, from memory).
var Fallback = Line{Sign: "it is wrinkled and stands at 18 °C or more", Way: Pour, ML: 15, Every: 14}

// FallbackFrom is after how many days.
const FallbackFrom = 28
