package diagnosis_test

import (
	"strings"
	"testing"

	"tendermend/core/diagnosis"
	"tendermend/internal/approve"
)

// Every sentence in which a sign speaks, as somebody read them aloud.
func TestEvidenceIsReadAloud(t *testing.T) {
	var b strings.Builder
	b.WriteString("How each sign speaks for or against a cause: seen, and looked for in vain.\n\n")
	for _, s := range diagnosis.Signs() {
		b.WriteString(s.Told(true) + "\n" + s.Told(false) + "\n")
	}
	approve.Text(t, "../../docs/evidence.txt", b.String(), "\n")
}
