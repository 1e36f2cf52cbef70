// Package localpg runs a PostgreSQL server of its own on loopback, from
// Debian's packages, for the start command and the tests. The cluster lives in
// a folder that belongs to the program and to nothing else.
package localpg

import (
	"context"
	"errors"
	"fmt"
	"net"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"sort"
	"strconv"
	"strings"
	"syscall"
	"time"
)

// Server is a running PostgreSQL.
type Server struct {
	bin, dir string
	port     int
	as       *syscall.Credential // nil when this process is not root
	fast     bool
}

// Start runs the cluster in dir, making it first where it is missing or half
// made. PostgreSQL refuses to run as root, so root runs it as the user
// postgres. Fast trades safety for speed and is for tests only. The error says
// what to do.
func Start(ctx context.Context, dir string, fast bool) (*Server, error) {
	bin, err := findBinaries()
	if err != nil {
		return nil, err
	}
	dir, err = filepath.Abs(dir)
	if err != nil {
		return nil, err
	}
	s := &Server{bin: bin, dir: dir, fast: fast}
	if os.Geteuid() == 0 {
		if s.as, err = postgresUser(); err != nil {
			return nil, err
		}
	}
	if err := s.prepare(ctx); err != nil {
		return nil, err
	}
	if err := s.run(ctx); err != nil {
		return nil, err
	}
	return s, s.createDatabase(ctx, "tendermend", empty)
}

// URL is where the program's database is.
func (s *Server) URL() string { return s.DatabaseURL("tendermend") }

// DatabaseURL is where a database of this server is.
func (s *Server) DatabaseURL(name string) string {
	return fmt.Sprintf("postgres://tendermend@127.0.0.1:%d/%s?sslmode=disable", s.port, name)
}

// How long PostgreSQL may take to stop, in seconds, when it is asked and when it is
// told to at once.
const (
	stopsWithin = 20
	endsWithin  = 10
)

// Stop shuts the server down and waits for it: once more where the first try failed,
// then at once, which loses nothing but asks for recovery at the next start. It never
// waits for ever.
func (s *Server) Stop() error {
	var failed error
	for _, how := range []struct {
		mode    string
		seconds int
	}{{"fast", stopsWithin}, {"fast", stopsWithin}, {"immediate", endsWithin}} {
		err := s.stop(how.mode, how.seconds)
		if err == nil || !s.runs() {
			return nil
		}
		failed = errors.Join(failed, err)
	}
	return failed
}

func (s *Server) stop(mode string, seconds int) error {
	ctx, cancel := context.WithTimeout(context.Background(), time.Duration(seconds+5)*time.Second)
	defer cancel()
	within := strconv.Itoa(seconds)
	out, err := s.command(ctx, "pg_ctl", "-D", s.dir, "-m", mode, "-w", "-t", within, "stop").CombinedOutput()
	if err != nil {
		return fmt.Errorf("stopping PostgreSQL (%s): %w: %s", mode, err, out)
	}
	return nil
}

// runs says whether a server runs on the cluster.
func (s *Server) runs() bool {
	ctx, cancel := context.WithTimeout(context.Background(), endsWithin*time.Second)
	defer cancel()
	return s.command(ctx, "pg_ctl", "-D", s.dir, "status").Run() == nil
}

// Restart stops the server and starts it again on the same port, which is how
// the tests take the database away and give it back.
func (s *Server) Restart(ctx context.Context, between func()) error {
	if err := s.Stop(); err != nil {
		return err
	}
	between()
	return s.launch(ctx)
}

func findBinaries() (string, error) {
	found, _ := filepath.Glob("/usr/lib/postgresql/*/bin/initdb")
	sort.Slice(found, func(a, b int) bool { return version(found[a]) < version(found[b]) })
	if len(found) > 0 {
		return filepath.Dir(found[len(found)-1]), nil
	}
	if path, err := exec.LookPath("initdb"); err == nil {
		return filepath.Dir(path), nil
	}
	return "", errors.New("the PostgreSQL server is not installed; on Debian: apt-get install postgresql")
}

func version(initdb string) int {
	n, _ := strconv.Atoi(strings.Split(initdb, "/")[4])
	return n
}

func postgresUser() (*syscall.Credential, error) {
	u, err := user.Lookup("postgres")
	if err != nil {
		return nil, errors.New(
			"PostgreSQL does not run as root and there is no user postgres; install Debian's postgresql package, " +
				"or start the program as another user",
		)
	}
	uid, err := strconv.ParseUint(u.Uid, 10, 32)
	if err != nil {
		return nil, err
	}
	gid, err := strconv.ParseUint(u.Gid, 10, 32)
	if err != nil {
		return nil, err
	}
	return &syscall.Credential{Uid: uint32(uid), Gid: uint32(gid)}, nil
}

func (s *Server) command(ctx context.Context, name string, args ...string) *exec.Cmd {
	cmd := exec.CommandContext(ctx, filepath.Join(s.bin, name), args...)
	cmd.Dir = "/"
	cmd.Env = append(os.Environ(), "LC_ALL=C.UTF-8", "LANG=C.UTF-8")
	// Its own group, so that Ctrl-C reaches the program first and the program
	// stops the server.
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: s.as, Setpgid: true}
	return cmd
}

// prepare makes the cluster. The file "complete" is written last: without it
// the folder is what an interrupted start left, and is made anew.
func (s *Server) prepare(ctx context.Context) error {
	done := filepath.Join(s.dir, "complete")
	if _, err := os.Stat(done); err == nil {
		return nil
	}
	if _, err := os.Stat(filepath.Join(s.dir, "PG_VERSION")); err == nil {
		if err := os.RemoveAll(s.dir); err != nil {
			return fmt.Errorf("clearing a half-made database in %s: %w", s.dir, err)
		}
	}
	// The folder above must be open to the user that runs the server.
	if err := os.MkdirAll(filepath.Dir(s.dir), 0o755); err != nil {
		return fmt.Errorf("making the database folder: %w", err)
	}
	if err := os.MkdirAll(s.dir, 0o700); err != nil {
		return fmt.Errorf("making the database folder: %w", err)
	}
	if s.as != nil {
		if err := os.Chown(s.dir, int(s.as.Uid), int(s.as.Gid)); err != nil {
			return fmt.Errorf("giving the database folder to the user postgres: %w", err)
		}
		if err := s.canEnter(ctx); err != nil {
			return err
		}
	}
	args := []string{"-D", s.dir, "-U", "tendermend", "--auth=trust", "--encoding=UTF8", "--locale=C.UTF-8"}
	if s.fast {
		args = append(args, "--no-sync")
	}
	if out, err := s.command(ctx, "initdb", args...).CombinedOutput(); err != nil {
		return fmt.Errorf("making the database in %s: %w\n%s", s.dir, err, out)
	}
	return os.WriteFile(done, nil, 0o644)
}

// canEnter says in time when the user postgres cannot reach the folder.
func (s *Server) canEnter(ctx context.Context) error {
	cmd := exec.CommandContext(ctx, "test", "-w", s.dir)
	cmd.Dir = "/"
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: s.as}
	if cmd.Run() != nil {
		return fmt.Errorf(
			"the user postgres cannot enter %s; start the program as another user than root, or set "+
				"TENDERMEND_DATA to a folder that everybody can enter",
			s.dir,
		)
	}
	return nil
}

// run starts the server, on its last port if that is free. A server that an
// earlier program left running on the cluster is taken over.
func (s *Server) run(ctx context.Context) error {
	if s.runs() {
		if err := s.Stop(); err != nil {
			return err
		}
	}
	port, err := freePort()
	if err != nil {
		return fmt.Errorf("finding a free port for PostgreSQL: %w", err)
	}
	s.port = port
	return s.launch(ctx)
}

func freePort() (int, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0, err
	}
	defer func() { _ = l.Close() }()
	return l.Addr().(*net.TCPAddr).Port, nil
}

func (s *Server) launch(ctx context.Context) error {
	// Pages are read at random about as fast as in a row: disks no longer turn.
	options := fmt.Sprintf("-h 127.0.0.1 -p %d -k %s -c random_page_cost=1.1", s.port, s.dir)
	if s.fast {
		options += " -F -c synchronous_commit=off -c full_page_writes=off"
	}
	log := filepath.Join(s.dir, "server.log")
	cmd := s.command(ctx, "pg_ctl", "-D", s.dir, "-l", log, "-o", options, "-w", "-t", "60", "start")
	// pg_ctl's child keeps what it inherits open: no pipe, or Run would wait.
	if err := cmd.Run(); err != nil {
		tail, _ := os.ReadFile(log)
		return fmt.Errorf("starting PostgreSQL: %w\n%s", err, lastLines(string(tail), 8))
	}
	return nil
}

func lastLines(s string, n int) string {
	lines := strings.Split(strings.TrimSpace(s), "\n")
	return strings.Join(lines[max(0, len(lines)-n):], "\n")
}

func (s *Server) createDatabase(ctx context.Context, name, from string) error {
	ctx, cancel := context.WithTimeout(ctx, 30*time.Second)
	defer cancel()
	args := []string{"-h", "127.0.0.1", "-p", strconv.Itoa(s.port), "-U", "tendermend", "-d", "postgres", "-Atc"}
	out, err := s.command(ctx, "psql", append(args, fmt.Sprintf("select 1 from pg_database where datname = '%s'",
		name))...).
		CombinedOutput()
	if err != nil {
		return fmt.Errorf("asking PostgreSQL for its databases: %w: %s", err, out)
	}
	if strings.TrimSpace(string(out)) == "1" {
		return nil
	}
	if out, err := s.command(ctx, "psql", append(args, fmt.Sprintf("create database %s template %s", name,
		from))...).CombinedOutput(); err != nil {
		return fmt.Errorf("making the database %s: %w: %s", name, err, out)
	}
	return nil
}

// empty is the database of which empty ones are copies.
const empty = "template1"

// CreateDatabase makes another, empty database and gives its URL.
func (s *Server) CreateDatabase(ctx context.Context, name string) (string, error) {
	return s.CopyDatabase(ctx, name, empty)
}

// CopyDatabase makes a copy of a database that nobody is connected to, and gives
// its URL.
func (s *Server) CopyDatabase(ctx context.Context, name, from string) (string, error) {
	return s.DatabaseURL(name), s.createDatabase(ctx, name, from)
}

// Scratch starts a server in a folder of its own that goes with it: for tests and
// scripts. Call stop when done.
func Scratch(ctx context.Context, what string) (s *Server, stop func() error, err error) {
	parent, err := os.MkdirTemp("", "tendermend-"+what+"-")
	if err != nil {
		return nil, nil, fmt.Errorf("making a folder for the database: %w", err)
	}
	remove := func() error { return os.RemoveAll(parent) }
	// The user that runs the server has to enter it.
	if err := os.Chmod(parent, 0o755); err != nil {
		return nil, nil, errors.Join(err, remove())
	}
	if s, err = Start(ctx, filepath.Join(parent, "pg"), true); err != nil {
		return nil, nil, errors.Join(err, remove())
	}
	return s, func() error { return errors.Join(s.Stop(), remove()) }, nil
}
