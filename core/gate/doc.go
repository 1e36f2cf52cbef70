// Package gate says what must be so before something is done: a list of conditions
// on facts, said in one way and judged in one way. Plans, their checker, records,
// walks and screens share it; nothing reads a condition out of a sentence.
package gate
