package server

import (
	"context"
	"errors"
	"fmt"
	"maps"
	"net/http"
	"slices"
	"strings"
	"time"
	"unicode"

	ics "github.com/arran4/golang-ical"
	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/working"
	"tendermend/exchange"
	"tendermend/record/due"
	"tendermend/store"
)

// CalendarLink is the address of the calendar.
type CalendarLink struct {
	Has bool   `json:"has" doc:"Whether the calendar has an address."`
	URL string `json:"url,omitempty" doc:"The address; told once, when it is made."`
}

type calendarFile struct {
	ContentType string `header:"Content-Type"`
	Body        []byte
}

// How far the calendar looks ahead, and at how many plants.
const (
	calendarDays   = 60
	calendarPlants = 2000
	namedAtMost    = 40
)

func (srv *server) calendarOperations(api huma.API) {
	huma.Register(api, op("get-calendar-link", http.MethodGet, "/api/calendar-link",
		"Whether the calendar has an address", "calendar"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*body[CalendarLink], error) {
			has, err := srv.store.HasCalendar(ctx, a.Collection.ID)
			return &body[CalendarLink]{CalendarLink{Has: has}}, err
		}))
	huma.Register(api, op("make-calendar-link", http.MethodPost, "/api/calendar-link",
		"Make a secret address at which a calendar program reads what is due; the one before ends", "calendar"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*body[CalendarLink], error) {
			token, err := srv.store.NewCalendarLink(ctx, a)
			return &body[CalendarLink]{CalendarLink{true, srv.URL + "/api/calendar/" + token}}, err
		}))
	huma.Register(api, op("end-calendar-link", http.MethodDelete, "/api/calendar-link",
		"Take the calendar's address back", "calendar"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*body[CalendarLink], error) {
			return &body[CalendarLink]{}, srv.store.EndCalendar(ctx, a.Collection.ID)
		}))
}

// calendarFeed is read by calendar programs, which sign in nowhere.
func (srv *server) calendarFeed(api huma.API) {
	calendar := op("get-calendar", http.MethodGet, "/api/calendar/{token}",
		"What is due in the coming two months, trips and cold nights, as iCalendar (RFC 5545)", "calendar")
	calendar.Responses = map[string]*huma.Response{"200": {
		Description: "A calendar",
		Content:     map[string]*huma.MediaType{"text/calendar": {Schema: &huma.Schema{Type: "string"}}},
	}}
	huma.Register(api, calendar, func(ctx context.Context, in *struct {
		Token string `path:"token" maxLength:"60"`
	},
	) (*calendarFile, error) {
		c, err := srv.store.CalendarOf(ctx, strings.TrimSuffix(in.Token, ".ics"))
		if errors.Is(err, store.ErrNotFound) {
			return nil, huma.Error404NotFound("This address of the calendar was taken back. Make a new one under " +
				"“Your account”.")
		}
		if err != nil {
			return nil, srv.problem(ctx, err)
		}
		file, err := srv.calendar(ctx, c)
		if err != nil {
			return nil, srv.problem(ctx, err)
		}
		return &calendarFile{"text/calendar; charset=utf-8", file}, nil
	})
}

// onDay groups what is due by the first useful day and by sort of task.
type onDay struct {
	on    day.Day
	kind  due.Kind
	lines []string
}

// calendar writes what is due in the coming two months, trips and cold nights.
func (srv *server) calendar(ctx context.Context, c store.Collection) ([]byte, error) {
	today := c.Today(srv.Clock())
	f := dates{ics.NewCalendarFor("Tender Mend"), c.ID, srv.Clock()}
	f.SetMethod(ics.MethodPublish)
	f.SetName(c.Name)
	rows, err := srv.store.DueUntil(ctx, c.ID, today+calendarDays, calendarPlants)
	if err != nil {
		return nil, err
	}
	routine, err := srv.store.Routine(ctx, c.ID)
	if err != nil {
		return nil, err
	}
	f.due(rows, today, routine.Off)
	trips, err := srv.store.Trips(ctx, c.ID)
	if err != nil {
		return nil, err
	}
	for _, t := range trips {
		if t.Back < today-calendarDays || t.Off {
			continue
		}
		said := "Nobody comes in."
		if t.Sitter != "" {
			said = t.Sitter + " comes in."
		}
		f.add("trip/"+t.ID.String(), t.From, t.Back+1, "Away", said).since(t.Version, t.RecordedAt)
		f.add("before/"+t.ID.String(), t.From-1, t.From, "Water before the trip", waterBefore(t)).
			since(t.Version, t.RecordedAt)
	}
	w, err := knownAround(ctx, srv.store, c, today)
	if err != nil {
		return nil, err
	}
	cold, err := srv.cold(ctx, c.ID, w)
	if err != nil {
		return nil, err
	}
	for _, p := range cold {
		var lines []string
		for _, x := range p.Plants {
			lines = append(lines, x.Name)
		}
		f.add(fmt.Sprintf("cold/%s/%s", p.Place, p.On), p.On, p.On+1,
			fmt.Sprintf("Bring in from %s: about %.0f °C", p.Name, p.Likely), listed(lines))
	}
	return []byte(f.Serialize(ics.WithNewLineWindows)), nil // RFC 5545, 3.1: lines end in CR LF
}

// dates are a calendar that is being written.
type dates struct {
	*ics.Calendar
	of    uuid.UUID
	stamp time.Time
}

// add adds days, the last not counted; the same id is the same event at every reading.
func (f dates) add(id string, from, until day.Day, title, said string) event {
	e := f.AddEvent(uuid.NewSHA1(f.of, []byte(id)).String() + "@tendermend")
	e.SetDtStampTime(f.stamp)
	e.SetAllDayStartAt(from.Time())
	e.SetAllDayEndAt(until.Time())
	e.SetSummary(printable(title))
	e.SetDescription(printable(said))
	return event{e}
}

// event is an event that is being written.
type event struct{ *ics.VEvent }

// since says of what is changed by hand in which version it is, the first being 1, and since when (RFC 5545, 3.8.7.3
// and 3.8.7.4): a calendar program then knows that it is to be shown anew.
func (e event) since(version int, at time.Time) {
	e.SetSequence(version - 1)
	e.SetModifiedAt(at)
}

// printable is a text without control characters but the ends of its lines (RFC 5545, 3.3.11): a calendar program
// would take a lone CR for the end of what it reads.
func printable(text string) string {
	text = strings.NewReplacer("\r\n", "\n", "\r", "\n").Replace(text)
	return strings.Map(func(r rune) rune {
		if r != '\n' && unicode.IsControl(r) {
			return -1
		}
		return r
	}, text)
}

// due adds what is due, one event a day and sort of task; what is late stands on today.
func (f dates) due(rows []store.DueRow, today day.Day, off []care.Job) {
	days := map[string]*onDay{}
	for _, r := range rows {
		for _, t := range r.Tasks.V {
			on := max(t.From, today)
			if on > today+calendarDays || t.Over(on, off) {
				continue
			}
			key := fmt.Sprintf("%s/%s", on, t.Kind)
			if days[key] == nil {
				days[key] = &onDay{on: on, kind: t.Kind}
			}
			days[key].lines = append(days[key].lines, fmt.Sprintf("%s (%s): %s", r.Name, r.Place, t.What))
		}
	}
	for _, key := range slices.Sorted(maps.Keys(days)) {
		d := days[key]
		f.add(key, d.on, d.on+1, titleOf(d), listed(d.lines))
	}
}

func titleOf(d *onDay) string {
	return working.Count(len(d.lines), "plant") + ": " + d.kind.Words()
}

// listed lists names, so many at most.
func listed(lines []string) string {
	rest := len(lines) - namedAtMost
	text := strings.Join(lines[:min(len(lines), namedAtMost)], "\n")
	if rest > 0 {
		text += fmt.Sprintf("\nand %d more", rest)
	}
	return text
}

func waterBefore(t exchange.Trip) string {
	var names []string
	for _, p := range t.Sheet {
		if p.WaterBefore {
			names = append(names, p.Name)
		}
	}
	if len(names) == 0 {
		return "Nobody needs water on the day before."
	}
	return listed(names)
}
