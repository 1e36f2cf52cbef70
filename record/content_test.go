package record_test

import (
	"reflect"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/record"
)

// Every field of a body is a kind of entry with a name of its own, which is the
// name under which it is stored.
func TestEveryFieldOfABodyIsAKind(t *testing.T) {
	body := reflect.TypeFor[record.Body]()
	seen := map[record.Kind]bool{}
	for i := range body.NumField() {
		field := body.Field(i)
		stored, _, _ := strings.Cut(field.Tag.Get("json"), ",")
		content, is := reflect.New(field.Type.Elem()).Interface().(record.Content)
		require.True(t, is, "%s is no kind of entry", field.Name)
		assert.Equal(t, stored, string(content.Kind()))
		assert.False(t, seen[content.Kind()], "%s stands for two kinds", content.Kind())
		seen[content.Kind()] = true

		var one record.Body
		reflect.ValueOf(&one).Elem().Field(i).Set(reflect.ValueOf(content))
		assert.Equal(t, content.Kind(), one.Kind())
		one.Noted, one.Watered = &record.Noted{}, &record.Watered{}
		assert.Empty(t, one.Kind(), "two things at once are no kind")
	}
	assert.Nil(t, (&record.Body{}).Content())
}

// An entry sent again is the recorded one, whatever was filled in when it was
// recorded; with other words it is another.
func TestTheSameSubmissionIsToldFromAnother(t *testing.T) {
	b := newBook(t)
	b.rot()
	for _, e := range b.entries {
		sent := e
		switch {
		case e.Examined != nil:
			sent.Examined = &record.Examined{Present: e.Examined.Present, Absent: e.Examined.Absent}
		case e.Diagnosed != nil:
			sent.Diagnosed = &record.Diagnosed{Causes: e.Diagnosed.Causes}
		case e.Planned != nil:
			sent.Planned = &record.Planned{Answers: e.Planned.Answers}
		}
		assert.True(t, record.SameSubmission(e, sent), "%s", e.Kind())
		other := sent
		other.Body = record.Body{Noted: &record.Noted{Text: "something else"}}
		assert.False(t, record.SameSubmission(e, other), "%s", e.Kind())
	}
	one := b.entry(1, record.Body{Noted: &record.Noted{Text: "one"}})
	two := one
	two.Noted = &record.Noted{Text: "two"}
	assert.False(t, record.SameSubmission(one, two))
}
