package localpg

import (
	"fmt"
	"os"
	"os/signal"
	"syscall"
)

// bySignal is the status of a program that a signal ended.
const bySignal = 130

// StopOnSignal stops a server, and the program with it, when the program is told to end: a script that is broken off
// leaves no server behind. It is called once, when the server runs.
func StopOnSignal(stop func() error) {
	told := make(chan os.Signal, 1)
	signal.Notify(told, os.Interrupt, syscall.SIGTERM, syscall.SIGHUP)
	go func() {
		<-told
		if err := stop(); err != nil {
			fmt.Fprintln(os.Stderr, "stopping the database:", err)
		}
		os.Exit(bySignal)
	}()
}
