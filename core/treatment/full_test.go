//go:build full

package treatment_test

// sampled is the whole sweep: every kind, and 200,000 random situations.
var sampled = struct{ kinds, random int }{kinds: 1, random: 200000}

// plansEdited is how many drawn plans are changed, five times each.
const plansEdited = 1000
