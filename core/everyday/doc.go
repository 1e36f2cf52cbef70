// Package everyday understands what people say of a plant in their own words: which signs
// a phrase means, and what a whole sentence says of kind, signs, denials and doubts. It
// takes nothing for certain: whoever uses it shows what it read and lets it be confirmed.
//
// A phrase is folded to what its words mean ("droopy", "wilted" and "flopped" are one
// idea), and compared with a table of phrases by the cosine of their ideas, the rarer ones
// weighing more (Salton and McGill 1983, ch. 4; from memory). Words are cut to their stems
// by the Snowball stemmer for English (Porter 2001).
package everyday
