package plant

// profiles holds the kinds that ship with the program: light (DLI), temperature,
// humidity and traits, all from memory of the usual growers' books and rounded.
var profiles = []Profile{

	// sympodial-orchid
	kind("sympodial-orchid", "zygopetalum-maculatum", "Zygopetalum maculatum", "zygopetalum", [3]float64{4, 8, 14}, [3]float64{8, 18, 30}, [2]float64{50, 65}, "salt"),
	kind("sympodial-orchid", "coelogyne-cristata", "Coelogyne cristata", "snow-white coelogyne", [3]float64{5, 9, 15}, [3]float64{6, 17, 28}, [2]float64{50, 65}, "rest salt snug"),
	kind("sympodial-orchid", "coelogyne-pandurata", "Coelogyne pandurata", "black-lipped coelogyne", [3]float64{5, 9, 14}, [3]float64{15, 23, 32}, [2]float64{55, 70}, "salt"),
	kind("sympodial-orchid", "masdevallia-veitchiana", "Masdevallia veitchiana", "kite orchid", [3]float64{3, 6, 9}, [3]float64{7, 16, 25}, [2]float64{60, 75}, "salt snug").waters(Even),
	kind("sympodial-orchid", "cattleya-labiata", "Cattleya labiata", "autumn cattleya", [3]float64{8, 14, 22}, [3]float64{12, 22, 32}, [2]float64{45, 60}, ""),
	kind("sympodial-orchid", "dendrobium-kingianum", "Dendrobium kingianum", "pink rock orchid", [3]float64{8, 14, 22}, [3]float64{4, 18, 32}, [2]float64{40, 55}, "rest snug"),
	kind("sympodial-orchid", "dendrobium-nobile", "Dendrobium nobile", "noble dendrobium", [3]float64{8, 14, 22}, [3]float64{7, 20, 32}, [2]float64{45, 60}, "rest snug"),
	kind("sympodial-orchid", "oncidium-sphacelatum", "Oncidium sphacelatum", "golden shower orchid", [3]float64{6, 11, 18}, [3]float64{10, 21, 31}, [2]float64{45, 60}, ""),
	kind("sympodial-orchid", "miltoniopsis-vexillaria", "Miltoniopsis vexillaria", "pansy orchid", [3]float64{4, 7, 11}, [3]float64{11, 18, 27}, [2]float64{55, 70}, "salt").waters(Even),
	kind("sympodial-orchid", "cymbidium-hybrid", "Cymbidium hybrids", "cymbidium", [3]float64{8, 14, 22}, [3]float64{5, 17, 30}, [2]float64{45, 60}, "snug").waters(TopDry),
	kind("sympodial-orchid", "paphiopedilum-callosum", "Paphiopedilum callosum", "mottled slipper orchid", [3]float64{3, 5, 8}, [3]float64{14, 21, 29}, [2]float64{50, 65}, "salt").waters(TopDry),
	kind("sympodial-orchid", "paphiopedilum-insigne", "Paphiopedilum insigne", "cool slipper orchid", [3]float64{3, 6, 9}, [3]float64{7, 17, 28}, [2]float64{50, 65}, "salt").waters(TopDry),
	kind("sympodial-orchid", "bulbophyllum-lobbii", "Bulbophyllum lobbii", "thumbed bulbophyllum", [3]float64{4, 7, 11}, [3]float64{14, 23, 31}, [2]float64{60, 75}, ""),

	// monopodial-orchid
	kind("monopodial-orchid", "phalaenopsis-hybrid", "Phalaenopsis hybrids", "moth orchid", [3]float64{3, 6, 10}, [3]float64{16, 23, 32}, [2]float64{45, 60}, ""),
	kind("monopodial-orchid", "phalaenopsis-schilleriana", "Phalaenopsis schilleriana", "silver-leaved moth orchid", [3]float64{3, 6, 10}, [3]float64{16, 24, 32}, [2]float64{50, 65}, ""),
	kind("monopodial-orchid", "vanda-coerulea", "Vanda coerulea", "blue vanda", [3]float64{12, 18, 26}, [3]float64{10, 23, 34}, [2]float64{55, 70}, "").waters(AirRoots),
	kind("monopodial-orchid", "angraecum-sesquipedale", "Angraecum sesquipedale", "comet orchid", [3]float64{6, 10, 16}, [3]float64{13, 23, 32}, [2]float64{50, 65}, ""),
	kind("monopodial-orchid", "neofinetia-falcata", "Vanda falcata", "wind orchid", [3]float64{6, 10, 16}, [3]float64{5, 20, 33}, [2]float64{50, 65}, ""),
	kind("monopodial-orchid", "rhynchostylis-gigantea", "Rhynchostylis gigantea", "foxtail orchid", [3]float64{8, 14, 20}, [3]float64{14, 25, 34}, [2]float64{55, 70}, ""),

	// winter-deciduous-orchid
	kind("winter-deciduous-orchid", "catasetum-fimbriatum", "Catasetum fimbriatum", "fringed catasetum", [3]float64{10, 16, 24}, [3]float64{12, 25, 35}, [2]float64{45, 60}, "rest"),
	kind("winter-deciduous-orchid", "cycnoches-chlorochilon", "Cycnoches chlorochilon", "swan orchid", [3]float64{10, 15, 22}, [3]float64{12, 25, 34}, [2]float64{45, 60}, "rest"),
	kind("winter-deciduous-orchid", "pleione-formosana", "Pleione formosana", "windowsill pleione", [3]float64{6, 10, 15}, [3]float64{1, 15, 26}, [2]float64{45, 60}, "rest shallow"),
	kind("winter-deciduous-orchid", "calanthe-vestita", "Calanthe vestita", "deciduous calanthe", [3]float64{6, 11, 16}, [3]float64{12, 22, 32}, [2]float64{50, 60}, "rest"),

	// jewel-orchid
	kind("jewel-orchid", "ludisia-discolor", "Ludisia discolor", "black jewel orchid", [3]float64{2, 4, 7}, [3]float64{14, 22, 30}, [2]float64{50, 65}, "shallow"),
	kind("jewel-orchid", "macodes-petola", "Macodes petola", "lightning jewel orchid", [3]float64{1.5, 3, 5}, [3]float64{16, 23, 29}, [2]float64{65, 80}, "shallow"),
	kind("jewel-orchid", "anoectochilus-formosanus", "Anoectochilus formosanus", "Formosan jewel orchid", [3]float64{1.5, 3, 5}, [3]float64{14, 22, 28}, [2]float64{65, 80}, "shallow"),

	// aroid-vine
	kind("aroid-vine", "monstera-adansonii", "Monstera adansonii", "window-leaf monstera", [3]float64{3, 7, 13}, [3]float64{13, 24, 33}, [2]float64{45, 60}, "pets people"),
	kind("aroid-vine", "monstera-deliciosa", "Monstera deliciosa", "split-leaf monstera", [3]float64{3, 8, 15}, [3]float64{12, 23, 34}, [2]float64{40, 60}, "pets people"),
	kind("aroid-vine", "philodendron-hederaceum", "Philodendron hederaceum", "heart-leaf philodendron", [3]float64{2, 6, 11}, [3]float64{13, 23, 33}, [2]float64{40, 60}, "pets people"),
	kind("aroid-vine", "philodendron-melanochrysum", "Philodendron melanochrysum", "velvet philodendron", [3]float64{3, 7, 11}, [3]float64{15, 24, 31}, [2]float64{60, 75}, "pets people soap"),
	kind("aroid-vine", "epipremnum-aureum", "Epipremnum aureum", "golden pothos", [3]float64{1.5, 5, 12}, [3]float64{13, 24, 34}, [2]float64{35, 55}, "pets people"),
	kind("aroid-vine", "scindapsus-pictus", "Scindapsus pictus", "satin vine", [3]float64{2, 5, 10}, [3]float64{15, 24, 32}, [2]float64{45, 60}, "pets people"),
	kind("aroid-vine", "syngonium-podophyllum", "Syngonium podophyllum", "arrowhead vine", [3]float64{2, 6, 11}, [3]float64{14, 24, 33}, [2]float64{45, 60}, "pets people"),

	// aroid-clump
	kind("aroid-clump", "anthurium-andraeanum", "Anthurium andraeanum", "flamingo flower", [3]float64{3, 6, 10}, [3]float64{15, 24, 32}, [2]float64{50, 70}, "pets people salt"),
	kind("aroid-clump", "anthurium-clarinervium", "Anthurium clarinervium", "velvet cardboard anthurium", [3]float64{3, 5, 9}, [3]float64{15, 23, 30}, [2]float64{55, 70}, "pets people salt soap"),
	kind("aroid-clump", "alocasia-amazonica", "Alocasia × amazonica", "African mask", [3]float64{4, 8, 13}, [3]float64{15, 24, 32}, [2]float64{55, 70}, "pets people rest").waters(HalfDry),
	kind("aroid-clump", "alocasia-zebrina", "Alocasia zebrina", "zebra-stalk alocasia", [3]float64{4, 8, 13}, [3]float64{16, 25, 32}, [2]float64{55, 70}, "pets people rest").waters(HalfDry),
	kind("aroid-clump", "spathiphyllum-wallisii", "Spathiphyllum wallisii", "peace lily", [3]float64{1.5, 4, 8}, [3]float64{13, 22, 31}, [2]float64{45, 60}, "pets people salt"),
	kind("aroid-clump", "zamioculcas-zamiifolia", "Zamioculcas zamiifolia", "aroid palm", [3]float64{1, 5, 12}, [3]float64{13, 23, 34}, [2]float64{30, 50}, "pets people snug").waters(DryThrough),
	kind("aroid-clump", "aglaonema-commutatum", "Aglaonema commutatum", "painted drop-tongue", [3]float64{1, 4, 8}, [3]float64{15, 23, 32}, [2]float64{40, 60}, "pets people"),
	kind("aroid-clump", "caladium-bicolor", "Caladium bicolor", "angel wings", [3]float64{4, 8, 13}, [3]float64{17, 26, 34}, [2]float64{55, 70}, "pets people rest"),

	// rhizomatous-foliage
	kind("rhizomatous-foliage", "maranta-leuconeura", "Maranta leuconeura", "prayer plant", [3]float64{2, 5, 9}, [3]float64{14, 22, 30}, [2]float64{50, 65}, "salt shallow"),
	kind("rhizomatous-foliage", "calathea-orbifolia", "Goeppertia orbifolia", "round-leaf prayer plant", [3]float64{2, 5, 8}, [3]float64{15, 22, 29}, [2]float64{55, 70}, "salt"),
	kind("rhizomatous-foliage", "calathea-makoyana", "Goeppertia makoyana", "peacock prayer plant", [3]float64{2, 5, 8}, [3]float64{15, 22, 29}, [2]float64{55, 70}, "salt"),
	kind("rhizomatous-foliage", "stromanthe-sanguinea", "Stromanthe thalia", "three-colour stromanthe", [3]float64{3, 6, 10}, [3]float64{14, 22, 30}, [2]float64{55, 70}, "salt"),
	kind("rhizomatous-foliage", "ctenanthe-burle-marxii", "Ctenanthe burle-marxii", "fishbone prayer plant", [3]float64{2, 5, 9}, [3]float64{14, 22, 30}, [2]float64{50, 65}, "salt"),

	// begonia
	kind("begonia", "begonia-rex", "Begonia Rex group", "painted-leaf begonia", [3]float64{3, 5, 9}, [3]float64{12, 20, 28}, [2]float64{50, 60}, "pets dryleaf shallow"),
	kind("begonia", "begonia-maculata", "Begonia maculata", "spotted cane begonia", [3]float64{4, 7, 12}, [3]float64{13, 21, 30}, [2]float64{45, 60}, "pets dryleaf"),
	kind("begonia", "begonia-masoniana", "Begonia masoniana", "iron-cross begonia", [3]float64{3, 5, 9}, [3]float64{14, 21, 28}, [2]float64{50, 60}, "pets dryleaf shallow"),
	kind("begonia", "begonia-heracleifolia", "Begonia heracleifolia", "star begonia", [3]float64{3, 6, 10}, [3]float64{11, 20, 29}, [2]float64{45, 60}, "pets dryleaf shallow"),

	// soft-trailer
	kind("soft-trailer", "tradescantia-zebrina", "Tradescantia zebrina", "silver inch plant", [3]float64{4, 9, 16}, [3]float64{8, 21, 32}, [2]float64{40, 55}, "pets people"),
	kind("soft-trailer", "tradescantia-fluminensis", "Tradescantia fluminensis", "small-leaf spiderwort", [3]float64{3, 8, 14}, [3]float64{6, 20, 31}, [2]float64{40, 55}, "pets people"),
	kind("soft-trailer", "peperomia-prostrata", "Peperomia prostrata", "string of turtles", [3]float64{3, 6, 10}, [3]float64{13, 22, 30}, [2]float64{45, 60}, "shallow").waters(HalfDry),
	kind("soft-trailer", "pilea-depressa", "Pilea depressa", "baby's-toes pilea", [3]float64{3, 6, 10}, [3]float64{12, 21, 29}, [2]float64{45, 60}, "shallow"),
	kind("soft-trailer", "callisia-repens", "Callisia repens", "turtle vine", [3]float64{4, 8, 14}, [3]float64{10, 21, 31}, [2]float64{40, 55}, "pets"),
	kind("soft-trailer", "peperomia-obtusifolia", "Peperomia obtusifolia", "baby rubber plant", [3]float64{2, 6, 11}, [3]float64{12, 22, 31}, [2]float64{40, 55}, "shallow").waters(HalfDry),

	// woody
	kind("woody", "ficus-lyrata", "Ficus lyrata", "fiddle-leaf fig", [3]float64{5, 10, 18}, [3]float64{13, 23, 34}, [2]float64{40, 55}, "pets people"),
	kind("woody", "ficus-elastica", "Ficus elastica", "rubber tree", [3]float64{4, 9, 18}, [3]float64{11, 23, 35}, [2]float64{35, 50}, "pets people"),
	kind("woody", "ficus-benjamina", "Ficus benjamina", "weeping fig", [3]float64{5, 10, 18}, [3]float64{12, 23, 34}, [2]float64{35, 50}, "pets people"),
	kind("woody", "schefflera-arboricola", "Heptapleurum arboricola", "dwarf umbrella tree", [3]float64{4, 9, 18}, [3]float64{9, 22, 33}, [2]float64{35, 50}, "pets people"),
	kind("woody", "polyscias-fruticosa", "Polyscias fruticosa", "ming aralia", [3]float64{4, 8, 14}, [3]float64{15, 23, 32}, [2]float64{50, 60}, "pets people"),
	kind("woody", "dracaena-fragrans", "Dracaena fragrans", "corn cane", [3]float64{2, 5, 11}, [3]float64{13, 23, 33}, [2]float64{35, 50}, "pets salt"),
	kind("woody", "citrus-calamondin", "Citrus × microcarpa", "calamondin", [3]float64{12, 20, 32}, [3]float64{6, 22, 35}, [2]float64{40, 55}, "pets"),

	// giant-herb
	kind("giant-herb", "strelitzia-nicolai", "Strelitzia nicolai", "giant strelitzia", [3]float64{8, 14, 26}, [3]float64{10, 23, 34}, [2]float64{40, 60}, "pets salt"),
	kind("giant-herb", "strelitzia-reginae", "Strelitzia reginae", "crane flower", [3]float64{10, 16, 30}, [3]float64{8, 22, 34}, [2]float64{40, 55}, "pets").waters(HalfDry),
	kind("giant-herb", "musa-acuminata-dwarf", "Musa acuminata (dwarf)", "dwarf banana", [3]float64{10, 18, 30}, [3]float64{13, 26, 36}, [2]float64{50, 65}, ""),

	// wax-vine
	kind("wax-vine", "hoya-carnosa", "Hoya carnosa", "common wax flower", [3]float64{4, 9, 16}, [3]float64{10, 22, 33}, [2]float64{40, 55}, "snug"),
	kind("wax-vine", "hoya-kerrii", "Hoya kerrii", "heart-leaf hoya", [3]float64{5, 10, 18}, [3]float64{13, 24, 34}, [2]float64{40, 55}, "snug"),
	kind("wax-vine", "hoya-linearis", "Hoya linearis", "fine-leaf hoya", [3]float64{4, 8, 12}, [3]float64{8, 19, 28}, [2]float64{50, 65}, "snug"),
	kind("wax-vine", "stephanotis-floribunda", "Stephanotis floribunda", "Madagascar jasmine", [3]float64{7, 12, 20}, [3]float64{13, 22, 31}, [2]float64{45, 60}, "").waters(TopDry),
	kind("wax-vine", "aeschynanthus-radicans", "Aeschynanthus radicans", "lipstick vine", [3]float64{5, 9, 14}, [3]float64{14, 23, 31}, [2]float64{50, 65}, "snug").waters(TopDry),
	kind("wax-vine", "dischidia-nummularia", "Dischidia nummularia", "string of nickels", [3]float64{4, 8, 13}, [3]float64{13, 24, 32}, [2]float64{55, 70}, ""),

	// succulent-rosette
	kind("succulent-rosette", "haworthia-attenuata", "Haworthiopsis attenuata", "zebra haworthia", [3]float64{4, 8, 14}, [3]float64{6, 21, 32}, [2]float64{25, 40}, "rest shallow"),
	kind("succulent-rosette", "haworthia-cooperi", "Haworthia cooperi", "window haworthia", [3]float64{4, 8, 13}, [3]float64{6, 20, 31}, [2]float64{25, 40}, "rest shallow"),
	kind("succulent-rosette", "echeveria-elegans", "Echeveria elegans", "Mexican snow ball", [3]float64{12, 20, 34}, [3]float64{5, 20, 33}, [2]float64{25, 40}, "powder dryleaf shallow"),
	kind("succulent-rosette", "aloe-vera", "Aloe vera", "true aloe", [3]float64{8, 16, 30}, [3]float64{7, 22, 35}, [2]float64{25, 40}, "pets people"),
	kind("succulent-rosette", "gasteria-carinata", "Gasteria carinata", "keeled gasteria", [3]float64{4, 8, 14}, [3]float64{6, 21, 33}, [2]float64{25, 40}, "shallow"),
	kind("succulent-rosette", "sempervivum-tectorum", "Sempervivum tectorum", "house leek", [3]float64{14, 24, 40}, [3]float64{-15, 18, 33}, [2]float64{20, 40}, "shallow rest"),
	kind("succulent-rosette", "crassula-ovata", "Crassula ovata", "money tree", [3]float64{10, 18, 32}, [3]float64{5, 21, 34}, [2]float64{25, 40}, "pets soap"),

	// cactus
	kind("cactus", "mammillaria-hahniana", "Mammillaria hahniana", "old lady cactus", [3]float64{14, 22, 38}, [3]float64{5, 23, 38}, [2]float64{15, 35}, "rest shallow"),
	kind("cactus", "schlumbergera-truncata", "Schlumbergera truncata", "crab cactus", [3]float64{4, 8, 13}, [3]float64{10, 20, 30}, [2]float64{45, 60}, "snug").waters(TopDry),
	kind("cactus", "rhipsalis-baccifera", "Rhipsalis baccifera", "mistletoe cactus", [3]float64{4, 8, 13}, [3]float64{10, 21, 31}, [2]float64{50, 60}, "").waters(TopDry),
	kind("cactus", "gymnocalycium-mihanovichii", "Gymnocalycium mihanovichii", "chin cactus", [3]float64{8, 14, 24}, [3]float64{8, 23, 36}, [2]float64{20, 40}, "rest shallow"),

	// fern
	kind("fern", "nephrolepis-exaltata", "Nephrolepis exaltata", "sword fern", [3]float64{3, 6, 11}, [3]float64{10, 21, 30}, [2]float64{50, 65}, "soap"),
	kind("fern", "adiantum-raddianum", "Adiantum raddianum", "delta maidenhair", [3]float64{2, 5, 8}, [3]float64{12, 20, 28}, [2]float64{60, 75}, "soap salt"),
	kind("fern", "asplenium-nidus", "Asplenium nidus", "bird's-nest fern", [3]float64{2, 4, 8}, [3]float64{13, 22, 31}, [2]float64{50, 65}, "soap"),
	kind("fern", "platycerium-bifurcatum", "Platycerium bifurcatum", "elk-horn fern", [3]float64{4, 8, 14}, [3]float64{8, 21, 32}, [2]float64{45, 60}, "soap").waters(HalfDry),
	kind("fern", "phlebodium-aureum", "Phlebodium aureum", "blue polypody", [3]float64{3, 6, 11}, [3]float64{10, 21, 31}, [2]float64{45, 60}, "soap"),

	// palm
	kind("palm", "chamaedorea-elegans", "Chamaedorea elegans", "parlour palm", [3]float64{2, 4, 8}, [3]float64{10, 21, 30}, [2]float64{40, 55}, "salt"),
	kind("palm", "howea-forsteriana", "Howea forsteriana", "thatch palm", [3]float64{2, 5, 11}, [3]float64{9, 21, 31}, [2]float64{40, 55}, "salt"),
	kind("palm", "dypsis-lutescens", "Dypsis lutescens", "golden cane palm", [3]float64{4, 9, 16}, [3]float64{13, 24, 34}, [2]float64{45, 60}, "salt"),
	kind("palm", "rhapis-excelsa", "Rhapis excelsa", "slender lady palm", [3]float64{2, 5, 10}, [3]float64{7, 21, 32}, [2]float64{40, 55}, "salt"),

	// bromeliad
	kind("bromeliad", "guzmania-lingulata", "Guzmania lingulata", "scarlet star", [3]float64{3, 6, 10}, [3]float64{13, 22, 31}, [2]float64{50, 65}, ""),
	kind("bromeliad", "aechmea-fasciata", "Aechmea fasciata", "silver vase", [3]float64{5, 9, 15}, [3]float64{11, 22, 33}, [2]float64{45, 60}, "powder"),
	kind("bromeliad", "tillandsia-cyanea", "Wallisia cyanea", "pink quill", [3]float64{4, 8, 13}, [3]float64{12, 22, 32}, [2]float64{50, 65}, ""),
	kind("bromeliad", "vriesea-splendens", "Lutheria splendens", "flaming sword", [3]float64{3, 6, 10}, [3]float64{13, 22, 31}, [2]float64{50, 65}, ""),
}
