import { useLocalStorage } from "@mantine/hooks";
import { nothing, type Offer } from "./offer";

const most = 12;

/** The offers that are looked at beside each other, kept on the device; one of them is chosen. */
export function useOffers() {
  const [kept, setKept] = useLocalStorage<{ offers: Offer[]; at: number }>({
    key: "offers-at-sale",
    defaultValue: { offers: [nothing], at: 0 },
    getInitialValueInEffect: false,
  });
  const offers = kept.offers.length > 0 ? kept.offers : [nothing];
  const at = Math.min(kept.at, offers.length - 1);
  const offer = offers[at] ?? nothing;
  return {
    offers,
    at,
    offer,
    setOffer: (to: Offer) => setKept({ offers: offers.map((o, i) => (i === at ? to : o)), at }),
    full: offers.length >= most,
    choose: (i: number) => setKept({ offers, at: i }),
    /** Begins another: at one stand they mostly grow alike, and a sound one costs the same. */
    add: () => {
      setKept({ offers: [...offers, { ...nothing, habit: offer.habit, sound: offer.sound }], at: offers.length });
    },
    /** Lets the chosen one go. */
    drop: () => setKept({ offers: offers.length > 1 ? offers.filter((_, i) => i !== at) : [nothing], at: 0 }),
  };
}
