import { createBrowserRouter } from "react-router";
import { Shell } from "./shell/Shell";
import { Lost } from "./shell/States";

export const router = createBrowserRouter([
  {
    path: "/reset/:token",
    errorElement: <Lost />,
    lazy: async () => ({ Component: (await import("./views/account/Reset")).Reset }),
  },
  {
    path: "/sit/:token",
    errorElement: <Lost />,
    lazy: async () => ({ Component: (await import("./views/trips/Sit")).Sit }),
  },
  {
    path: "/",
    element: <Shell />,
    children: [
      {
        // A view that breaks leaves the frame round it.
        errorElement: <Lost />,
        children: [
          { index: true, lazy: async () => ({ Component: (await import("./views/Rounds")).Rounds }) },
          { path: "plants", lazy: async () => ({ Component: (await import("./views/Register")).Register }) },
          { path: "plants/new", lazy: async () => ({ Component: (await import("./views/TakeIn")).TakeIn }) },
          { path: "plants/box", lazy: async () => ({ Component: (await import("./views/box/BoxIn")).BoxIn }) },
          {
            path: "together",
            lazy: async () => ({ Component: (await import("./views/together/Together")).Together }),
          },
          { path: "compare", lazy: async () => ({ Component: (await import("./views/compare/Compare")).Compare }) },
          {
            path: "outbreaks",
            lazy: async () => ({ Component: (await import("./views/outbreak/Outbreaks")).Outbreaks }),
          },
          {
            path: "outbreaks/:cause",
            lazy: async () => ({ Component: (await import("./views/outbreak/Outbreak")).Outbreak }),
          },
          { path: "scans", lazy: async () => ({ Component: (await import("./views/labels/Scans")).Scans }) },
          { path: "labels", lazy: async () => ({ Component: (await import("./views/labels/Labels")).Labels }) },
          {
            path: "bench-day",
            lazy: async () => ({ Component: (await import("./views/together/BenchDay")).BenchDay }),
          },
          {
            path: "household",
            lazy: async () => ({ Component: (await import("./views/WhoLivesHere")).HouseholdPage }),
          },
          {
            path: "routine",
            lazy: async () => ({ Component: (await import("./views/RoutinePage")).RoutinePage }),
          },
          { path: "exchange", lazy: async () => ({ Component: (await import("./views/Exchange")).Exchange }) },
          {
            path: "account",
            lazy: async () => ({ Component: (await import("./views/account/AccountPage")).AccountPage }),
          },
          {
            path: "about",
            lazy: async () => ({ Component: (await import("./views/About")).About }),
          },
          {
            path: "look-back",
            lazy: async () => ({ Component: (await import("./views/back/CollectionBack")).CollectionBack }),
          },
          { path: "origins", lazy: async () => ({ Component: (await import("./views/back/Origins")).Origins }) },
          {
            path: "trouble",
            lazy: async () => ({ Component: (await import("./views/guided/Trouble")).Trouble }),
          },
          { path: "sale", lazy: async () => ({ Component: (await import("./views/sale/AtSale")).AtSale }) },
          {
            path: "plants/:plant",
            lazy: async () => ({ Component: (await import("./views/plant/PlantPage")).PlantPage }),
            children: [
              { index: true, lazy: async () => ({ Component: (await import("./views/plant/Standing")).Standing }) },
              { path: "examine", lazy: async () => ({ Component: (await import("./views/plant/Examine")).Examine }) },
              {
                path: "guided",
                lazy: async () => ({ Component: (await import("./views/plant/GuidedLook")).GuidedLook }),
              },
              { path: "do", lazy: async () => ({ Component: (await import("./views/plant/WhatToDo")).WhatToDo }) },
              { path: "work", lazy: async () => ({ Component: (await import("./views/plant/Work")).Work }) },
              { path: "measure", lazy: async () => ({ Component: (await import("./views/plant/Measure")).Measure }) },
              {
                path: "pieces",
                lazy: async () => ({ Component: (await import("./views/pieces/TakePieces")).TakePieces }),
              },
              { path: "pot", lazy: async () => ({ Component: (await import("./views/pot/InItsPot")).InItsPot }) },
              { path: "growths", lazy: async () => ({ Component: (await import("./views/plant/Growths")).Growths }) },
              {
                path: "pictures",
                lazy: async () => ({ Component: (await import("./views/plant/Pictures")).Pictures }),
              },
              {
                path: "look-back",
                lazy: async () => ({ Component: (await import("./views/back/LookBack")).LookBack }),
              },
              {
                path: "record",
                lazy: async () => ({ Component: (await import("./views/plant/PlantRecord")).PlantRecord }),
              },
            ],
          },
          {
            path: "folder",
            lazy: async () => ({ Component: (await import("./views/folder/FolderOfPictures")).FolderOfPictures }),
          },
          { path: "places", lazy: async () => ({ Component: (await import("./views/places/Places")).Places }) },
          {
            path: "places/:place",
            lazy: async () => ({ Component: (await import("./views/places/PlacePage")).PlacePage }),
          },
          { path: "trips", lazy: async () => ({ Component: (await import("./views/trips/Trips")).Trips }) },
          { path: "trips/:trip", lazy: async () => ({ Component: (await import("./views/trips/TripPage")).TripPage }) },
          { path: "fit", lazy: async () => ({ Component: (await import("./views/places/WhoFits")).WhoFits }) },
          {
            path: "bench",
            lazy: async () => ({ Component: (await import("./views/bench/Bench")).Bench }),
            children: [
              { index: true, lazy: async () => ({ Component: (await import("./views/bench/PotBench")).PotBench }) },
              { path: "dish", lazy: async () => ({ Component: (await import("./views/bench/DishBench")).DishBench }) },
              { path: "mix", lazy: async () => ({ Component: (await import("./views/bench/MixBench")).MixBench }) },
              {
                path: "dilution",
                lazy: async () => ({ Component: (await import("./views/bench/LiquidBench")).DilutionBench }),
              },
              {
                path: "dose",
                lazy: async () => ({ Component: (await import("./views/bench/LiquidBench")).DoseBench }),
              },
              {
                path: "feed",
                lazy: async () => ({ Component: (await import("./views/bench/GrowthBench")).FeedBench }),
              },
              {
                path: "light",
                lazy: async () => ({ Component: (await import("./views/bench/GrowthBench")).LightBench }),
              },
              { path: "air", lazy: async () => ({ Component: (await import("./views/bench/GrowthBench")).AirBench }) },
              {
                path: "runway",
                lazy: async () => ({ Component: (await import("./views/bench/GrowthBench")).RunwayBench }),
              },
              {
                path: "cupboard",
                lazy: async () => ({ Component: (await import("./views/bench/Cupboard")).Cupboard }),
              },
            ],
          },
          {
            path: "handbook",
            lazy: async () => ({ Component: (await import("./views/handbook/Handbook")).Handbook }),
            children: [
              { index: true, lazy: async () => ({ Component: (await import("./views/handbook/Handbook")).Threshold }) },
              {
                path: "causes/:cause",
                lazy: async () => ({ Component: (await import("./views/handbook/CauseSheet")).CauseSheet }),
              },
              {
                path: "signs/:sign",
                lazy: async () => ({ Component: (await import("./views/handbook/SignSheet")).SignSheet }),
              },
              {
                path: "habits/:habit",
                lazy: async () => ({ Component: (await import("./views/handbook/HabitSheet")).HabitSheet }),
              },
              {
                path: "kinds/:kind/key",
                lazy: async () => ({ Component: (await import("./views/handbook/KindKey")).KindKey }),
              },
              {
                path: "glossary",
                lazy: async () => ({ Component: (await import("./views/handbook/Glossary")).Glossary }),
              },
              {
                path: "kinds/:kind",
                lazy: async () => ({ Component: (await import("./views/handbook/KindSheet")).KindSheet }),
              },
              {
                path: "kinds/:kind/edit",
                lazy: async () => ({ Component: (await import("./views/handbook/KindForm")).KindForm }),
              },
              {
                path: "confirmed",
                lazy: async () => ({ Component: (await import("./views/handbook/Confirmed")).ConfirmedCases }),
              },
              {
                path: "look-alikes",
                lazy: async () => ({ Component: (await import("./views/handbook/LookAlikes")).LookAlikes }),
              },
            ],
          },
          { path: "*", element: <Lost /> },
        ],
      },
    ],
  },
]);
