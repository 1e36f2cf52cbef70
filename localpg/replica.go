package localpg

import (
	"context"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strconv"
	"time"
)

// Replica starts a server beside this one that follows it, in a folder of its own that goes
// with it: for tests and scripts. From then on this one waits with every commit until the
// replica shows it too. Call stop when done.
func (s *Server) Replica(ctx context.Context) (r *Server, stop func() error, err error) {
	parent, err := os.MkdirTemp("", "tendermend-replica-")
	if err != nil {
		return nil, nil, fmt.Errorf("making a folder for the replica: %w", err)
	}
	remove := func() error { return os.RemoveAll(parent) }
	if s.as != nil {
		if err := os.Chown(parent, int(s.as.Uid), int(s.as.Gid)); err != nil {
			return nil, nil, errors.Join(err, remove())
		}
	}
	r = &Server{bin: s.bin, dir: filepath.Join(parent, "pg"), as: s.as, fast: s.fast}
	port := strconv.Itoa(s.port)
	copied := s.command(ctx, "pg_basebackup", "-h", "127.0.0.1", "-p", port, "-U", "tendermend", "-D", r.dir, "-R",
		"-X", "stream", "-c", "fast")
	if out, err := copied.CombinedOutput(); err != nil {
		return nil, nil, errors.Join(fmt.Errorf("copying the database for a replica: %w: %s", err, out), remove())
	}
	if err := r.run(ctx); err != nil {
		return nil, nil, errors.Join(err, remove())
	}
	stop = func() error { return errors.Join(s.waitFor(ctx, "''"), r.Stop(), remove()) }
	if err := s.waitFor(ctx, "'*'"); err != nil {
		return nil, nil, errors.Join(err, stop())
	}
	return r, stop, nil
}

// waitFor names the replicas that this server waits for with every commit of its database.
func (s *Server) waitFor(ctx context.Context, names string) error {
	ctx, cancel := context.WithTimeout(context.WithoutCancel(ctx), 30*time.Second)
	defer cancel()
	out, err := s.command(ctx, "psql", "-h", "127.0.0.1", "-p", strconv.Itoa(s.port), "-U", "tendermend", "-d", "postgres",
		"-v", "ON_ERROR_STOP=1",
		"-c", "set synchronous_commit = local",
		"-c", "alter system set synchronous_standby_names = "+names,
		"-c", "alter role tendermend set synchronous_commit = remote_apply",
		"-c", "select pg_reload_conf()").CombinedOutput()
	if err != nil {
		return fmt.Errorf("naming the replica: %w: %s", err, out)
	}
	return nil
}
