package exchange

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"reflect"
	"strings"
	"unicode/utf8"
)

// refuseNUL says where an archive holds a NUL, which no text of the record can hold: asked of what was
// read, because JSON and a table write it in more ways than one.
func refuseNUL(raw []byte, a Archive) error {
	if bytes.IndexByte(raw, 0) < 0 && !bytes.Contains(raw, []byte(`u0000`)) {
		return nil
	}
	if at := nulIn(reflect.ValueOf(a)); at != "" {
		const said = "there is an unwritable character (NUL) in %s; take it out and send the file again"
		return fmt.Errorf(said, strings.TrimSpace(strings.TrimPrefix(at, ".")))
	}
	if utf8.Valid(raw) && bytes.IndexByte(raw, 0) >= 0 { // UTF-16 is full of them, and was read
		return errors.New("there is an unwritable character (NUL) in this file; take it out and send it again")
	}
	return nil
}

// nulIn is the place of the first text with a NUL, as "plants[0].entries[3].noted.text"; empty where
// there is none.
func nulIn(v reflect.Value) string {
	switch v.Kind() {
	case reflect.String:
		if strings.IndexByte(v.String(), 0) >= 0 {
			return " "
		}
	case reflect.Pointer, reflect.Interface:
		if !v.IsNil() {
			return nulIn(v.Elem())
		}
	case reflect.Slice, reflect.Array:
		return nulInList(v)
	case reflect.Map:
		return nulInMap(v)
	case reflect.Struct:
		return nulInStruct(v)
	default: // a number or a yes holds no text
	}
	return ""
}

func nulInList(v reflect.Value) string {
	if raw, is := v.Interface().(json.RawMessage); is && bytes.Contains(raw, []byte(`\u0000`)) {
		return " "
	}
	if v.Type().Elem().Kind() == reflect.Uint8 { // a picture, or an id
		return ""
	}
	for i := range v.Len() {
		if at := nulIn(v.Index(i)); at != "" {
			return fmt.Sprintf("[%d]%s", i, at)
		}
	}
	return ""
}

func nulInMap(v reflect.Value) string {
	for _, key := range v.MapKeys() {
		if nulIn(key) != "" {
			return " (a name in it)"
		}
		if at := nulIn(v.MapIndex(key)); at != "" {
			return fmt.Sprintf(".%v%s", key, at)
		}
	}
	return ""
}

func nulInStruct(v reflect.Value) string {
	for i := range v.NumField() {
		f := v.Type().Field(i)
		if !f.IsExported() {
			continue
		}
		at := nulIn(v.Field(i))
		if at == "" {
			continue
		}
		name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
		if f.Anonymous && name == "" {
			return at
		}
		return "." + name + at
	}
	return ""
}
