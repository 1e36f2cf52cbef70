import { useQuery } from "@tanstack/react-query";
import { Problem } from "../api/client";
import { Failed, Waiting } from "../shell/States";

const useNotices = () =>
  useQuery({
    queryKey: ["notices"],
    queryFn: async () => {
      const answer = await fetch("/notices.txt");
      if (!answer.ok) throw new Problem(answer.status, "The licences could not be fetched.");
      return answer.text();
    },
    staleTime: Number.POSITIVE_INFINITY,
  });

/** What the program is, what it is not, and the works by others that ship with it. */
export function About() {
  const notices = useNotices();
  return (
    <>
      <title>About · Tender Mend</title>
      <h1>About Tender Mend</h1>
      <p className="max-640">
        Chances and times are estimates from tables of common practice; a plant may die in spite of everything done
        right. Product labels, local rules and licensed practice stand above anything it says, and it never proposes a
        dose of a pesticide.
      </p>
      <p className="max-640">
        What you recorded is yours: it goes out in open formats at any time. Nothing is sent anywhere else, and nothing
        is fetched from elsewhere while it runs.
      </p>
      <section className="patch" aria-label="Works by others">
        <h2>Works by others that ship with it</h2>
        {notices.isPending && <Waiting />}
        {notices.isLoadingError && <Failed error={notices.error} retry={() => notices.refetch()} />}
        {notices.data && (
          <>
            <p className="soft small">
              <a href="/notices.txt" download>
                Their licences as a file
              </a>
            </p>
            {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by keys */}
            <pre style={{ maxHeight: "60vh", overflow: "auto", whiteSpace: "pre-wrap", fontSize: 13 }} tabIndex={0}>
              {notices.data}
            </pre>
          </>
        )}
      </section>
    </>
  );
}
