package main

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/store"
)

func TestALostPasswordIsSetByALinkFromTheCommandLine(t *testing.T) {
	call, s := onDatabase(t)
	pgtest.Account(t, s, "lost@example.org")
	_, errs, status := call("reset-link", "-email", "nobody@example.org")
	assert.Equal(t, 2, status)
	assert.Contains(t, errs, "nobody signs in with")
	out, errs, status := call("reset-link", "-email", "lost@example.org", "-url", "https://mend.example/")
	require.Zero(t, status, errs)
	link, until, _ := strings.Cut(out, "\n")
	token, ok := strings.CutPrefix(link, "https://mend.example/reset/")
	require.True(t, ok, link)
	assert.Contains(t, until, "good once")
	_, err := s.Reset(t.Context(), token, "moss under old bark")
	require.NoError(t, err)
	_, err = s.SignIn(t.Context(), "lost@example.org", "moss under old bark", "", "192.0.2.1")
	assert.NoError(t, err)
	_, err = s.Reset(t.Context(), token, "moss under old bark")
	assert.ErrorIs(t, err, store.ErrNotFound)
}
