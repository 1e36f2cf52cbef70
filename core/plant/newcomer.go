package plant

// NewcomersIsolated is whether a plant that comes is kept apart to begin with, as
// growers do (common practice).
const NewcomersIsolated = true
