// Package facts holds what is known of one plant: one typed value, each part of it
// with its day and where it comes from. The record folds into it, a plan begins
// from it, what is done changes it, and gates, rules, cards and water read it.
// Nobody else guesses.
package facts
