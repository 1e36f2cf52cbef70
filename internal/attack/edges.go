package attack

import (
	"encoding/json"
	"maps"
	"net/url"
	"reflect"
	"slices"
	"strings"
)

// Asked is a request with what is tried by it.
type Asked struct {
	Method, Path, Body string
	Tries              string
}

// Known are values that are known where a request goes, by the names of fields and of parts of an address.
type Known map[string]string

// Unbounded lists the numbers that can be sent for which the document gives no least or no most.
func (d Document) Unbounded() (list []string) {
	for _, o := range d.operations {
		d.numbers(o, func(at string, schema object) {
			if !has(schema, "minimum", "exclusiveMinimum") || !has(schema, "maximum", "exclusiveMaximum") {
				list = append(list, at)
			}
		})
	}
	slices.Sort(list)
	return slices.Compact(list)
}

func has(schema object, keys ...string) bool {
	return slices.ContainsFunc(keys, func(k string) bool { _, is := schema[k]; return is })
}

// numbers goes through all numbers of what an operation is asked with.
func (d Document) numbers(o operation, each func(at string, schema object)) {
	for _, p := range listOf(o.spec["parameters"]) {
		if s := p["schema"].(object); isNumber(s) {
			each(o.method+" "+o.path+"?"+p["name"].(string), s)
		}
	}
	d.walk(bodyOf(o), o.method+" "+o.path, nil, func(at string, s object, _ []string) {
		if isNumber(s) {
			each(at, s)
		}
	})
}

// Edges makes, for each number that a body holds, a request with it at its least and one with it at its most;
// all else in the body is what it must hold. What several operations take is tried with the first of them.
func (d Document) Edges(known Known) (list []Asked) {
	tried := map[uintptr]bool{}
	for _, o := range d.operations {
		schema := bodyOf(o)
		d.walk(schema, o.method+" "+o.path, nil, func(at string, s object, way []string) {
			one := reflect.ValueOf(s).Pointer()
			if !isNumber(s) || tried[one] {
				return
			}
			tried[one] = true
			for _, edge := range []string{"minimum", "maximum"} {
				body := d.plain(schema, way, s[edge], known, 0)
				list = append(list, asked(o, known, nil, body, at+" at its "+edge))
			}
		})
	}
	return list
}

// Bare makes, for each operation, a request without what its address can ask with, one with each list
// of it empty, and one with each list of its body empty.
func (d Document) Bare(known Known) (list []Asked) {
	for _, o := range d.operations {
		schema := bodyOf(o)
		var body any
		if schema != nil {
			body = d.plain(schema, nil, nil, known, 0)
		}
		list = append(list, asked(o, known, nil, body, "nothing in its address"))
		for _, p := range listOf(o.spec["parameters"]) {
			if name := p["name"].(string); p["in"] == "query" {
				list = append(list, asked(o, known, url.Values{name: {""}}, body, name+" is empty"))
			}
		}
		d.walk(schema, o.method+" "+o.path, nil, func(at string, s object, way []string) {
			if s["type"] == "array" {
				list = append(list, asked(o, known, nil, d.plain(schema, way, []any{}, known, 0), at+" is empty"))
			}
		})
	}
	return list
}

func asked(o operation, known Known, query url.Values, body any, tries string) Asked {
	path := o.path
	for name, value := range known {
		path = strings.ReplaceAll(path, "{"+name+"}", url.PathEscape(value))
	}
	if len(query) > 0 {
		path += "?" + query.Encode()
	}
	raw := ""
	if body != nil {
		out, err := json.Marshal(body)
		if err != nil {
			panic(err) // what is made of maps, lists and numbers can be written
		}
		raw = string(out)
	}
	return Asked{o.method, path, raw, tries}
}

// walk goes through the parts of a description, with the names that lead to each; a description within itself
// is gone through once.
func (d Document) walk(schema object, at string, way []string, each func(string, object, []string)) {
	d.within(schema, at, way, nil, each)
}

func (d Document) within(schema object, at string, way, met []string, each func(string, object, []string)) {
	schema, ref := d.resolve(schema)
	if schema == nil || ref != "" && slices.Contains(met, ref) {
		return
	}
	if ref != "" {
		met = append(slices.Clone(met), ref)
	}
	each(at, schema, way)
	properties, _ := schema["properties"].(object)
	for _, name := range slices.Sorted(maps.Keys(properties)) {
		d.within(properties[name].(object), at+"."+name, append(slices.Clone(way), name), met, each)
	}
	if items, is := schema["items"].(object); is {
		d.within(items, at+"[]", append(slices.Clone(way), "[]"), met, each)
	}
	if more, is := schema["additionalProperties"].(object); is {
		d.within(more, at+"{}", append(slices.Clone(way), "{}"), met, each)
	}
}

func (d Document) resolve(schema object) (s object, ref string) {
	ref, is := schema["$ref"].(string)
	if !is {
		return schema, ""
	}
	name := ref[strings.LastIndex(ref, "/")+1:]
	return d.document["components"].(object)["schemas"].(object)[name].(object), name
}

// plain is a value that a description asks for: what it must hold, and what leads to a part, which is given.
func (d Document) plain(schema object, way []string, end any, known Known, deep int) any {
	schema, _ = d.resolve(schema)
	if len(way) == 0 && end != nil {
		return end
	}
	if list, is := schema["enum"].([]any); is {
		return list[0]
	}
	switch typeOf(schema) {
	case "object":
		return d.plainObject(schema, way, end, known, deep)
	case "array":
		return d.plainList(schema, way, end, known, deep)
	case "integer", "number":
		least, _ := schema["minimum"].(float64)
		return max(1, least)
	case "boolean":
		return true
	}
	return known.text(schema, "")
}

func (d Document) plainObject(schema object, way []string, end any, known Known, deep int) any {
	out := object{}
	properties, _ := schema["properties"].(object)
	required, _ := schema["required"].([]any)
	for name := range properties {
		on := len(way) > 0 && way[0] == name
		if !on && (!slices.Contains(required, any(name)) || deep > 8) {
			continue
		}
		of := properties[name].(object)
		if resolved, _ := d.resolve(of); !on && typeOf(resolved) == "string" && !has(resolved, "enum") {
			out[name] = known.text(resolved, name)
			continue
		}
		var rest []string
		var last any
		if on {
			rest, last = way[1:], end
		}
		out[name] = d.plain(of, rest, last, known, deep+1)
	}
	if more, is := schema["additionalProperties"].(object); is && len(way) > 0 && way[0] == "{}" {
		out["a"] = d.plain(more, way[1:], end, known, deep+1)
	}
	return out
}

func (d Document) plainList(schema object, way []string, end any, known Known, deep int) any {
	items, _ := schema["items"].(object)
	least, _ := schema["minItems"].(float64)
	n := int(least)
	on := len(way) > 0 && way[0] == "[]"
	if on {
		n = max(n, 1)
	}
	out := []any{}
	for range n {
		if on {
			out = append(out, d.plain(items, way[1:], end, known, deep+1))
		} else {
			out = append(out, d.plain(items, nil, nil, known, deep+1))
		}
	}
	return out
}

// text is a text for a field of a name.
func (k Known) text(schema object, name string) string {
	if v, is := k[name]; is {
		return v
	}
	if v, is := k["format:"+stringOf(schema["format"])]; is {
		return v
	}
	return "a"
}

func stringOf(v any) string { s, _ := v.(string); return s }

func typeOf(schema object) string {
	if list, is := schema["type"].([]any); is {
		return stringOf(list[0])
	}
	if schema["type"] == nil && schema["properties"] != nil {
		return "object"
	}
	return stringOf(schema["type"])
}

func isNumber(schema object) bool { return typeOf(schema) == "number" || typeOf(schema) == "integer" }

// bodyOf describes the body of an operation; nil where it has none.
func bodyOf(o operation) object {
	b, has := o.spec["requestBody"].(object)
	if !has {
		return nil
	}
	for _, media := range b["content"].(object) {
		schema, _ := media.(object)["schema"].(object)
		return schema
	}
	return nil
}

func listOf(v any) (list []object) {
	for _, one := range asList(v) {
		list = append(list, one.(object))
	}
	return list
}

func asList(v any) []any { list, _ := v.([]any); return list }
