// Package treatment holds the words that a plan is written in: what a plan is
// made for, the operators that it is made of with what they need and do, the
// sittings that hold operators together, what a habit bears where its kind is
// silent, and the rules that no plan may break.
//
// Two packages work with these tables and share nothing else: compose makes
// plans, check proves them.
package treatment
