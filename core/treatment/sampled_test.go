//go:build !full

package treatment_test

// sampled is how much of the sweep the usual tests do; make test-full does all.
var sampled = struct{ kinds, random int }{kinds: 10, random: 10000}

// plansEdited is how many drawn plans are changed, five times each.
const plansEdited = 120
