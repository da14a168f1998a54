/**
 * Words of everyday speech that name nothing that goes in: a remark may be made of them. Right before a name they are part of it all the same
 * (“wall germander”), so that none of them can turn one plant into another in silence.
 */
export const EVERYDAY = `
able above across actually adapted adult adults afternoon afterwards again ago ahead air airing airtight ajar alive almost alone along alongside
already although always amount amounts angle another answer anybody anyone anything apart apparently appear april aprils apron area arm around arrive
ashore aside ask asked asks asleep assemble astringent attention attic august aunt aunts author autumn available away awful babies baby back backwards
bad bain balance bank bare barely barge basement basic basically basin batch batches bath bathroom bay-window beach bear beat beautiful became become
bed bedtime bedtimes before beforehand begin beginning begins begun behind believe belong below bench bend beneath beside besides better between
beyond birthday bite bitter bitterness blanket blended blender blessed blow blue board boat boathouse boatwright body book books boot bored boring
borrow borrowed bottom bottoms bought bow brand breakfast breath breathe brew bridge brief brim brother brothers brought bruising brush bubbles bubbly
build built bulging burn burner burnt bus business busy cabin cal calendar call called calm calorie calories came canal canals candle carafe
carbohydrate carbohydrates carbs card care careful carefully carry case cast cat catch cause ceiling cellar centimetre centre certain certainly chair
chance change changed changes cheap cheaper check cheesecloth chest child children chill chilled chin choice cholesterol choose chopper chose
christmas chunky church clarity clay clear clearly clever clip clock close closed cloth clothes cloths cloud cloudy coarse coat colander cold
cold-press colour coloured colours combine come comes comfort coming common companion company complain complete completely condensation consistency
consume container containers content contents continue control convenient cook cooker cooler cooling cork corked corks corner cosy cottage cough
coughs counter country couple course cousin cover crack crock crocks cross crowd crumple crunchy cupboard cupboards cure daily damp dance danger dark
darker darkest daughter dawn dead deal dear decanter december decide deck deep deepest definitely deliver dense depend depends depth descend
desired did difference different difficult difficulty digest dilute diluted dinner dip direct direction directions dirt dirty discard dish dispenser
dispose dissolve dissolved dissolves disturb does dog doing done door doors dosage doses doubt down drain drawer dream drinker drinkers drip drips
drive dry duck ducks dull dusk dust dusty early earth earthenware ease easier easily easter easy eat eaten economy edge edges either elderly electric
elevenses else elsewhere empty enamel end ended energy enjoy enormous enough ensure entire equally equipment equivalent especially evaporate
evaporates evening evenings evenly eventually ever everybody everyday everyone evil exact exactly example exceed excellent excess exciting exist
expect expensive experiment explain expose exposed extend extra extraction eye eyes fabric face fact fair fairly fall false family famous far farm
fast father fats favourite february feed feel feeling feels feet fell felt fence fiber fibre field fill filling filter filtration final finally fine
finger fingers finish finished fire firm first fishy fit fizz fizzing fizzy flame flask flat flavour flavouring flavours flavoursome flood floor flow
fly foam foamy foil follow following food foot forest forever forget fork form forward fragrance fragrant france free freeze freezer freezing fresher
freshness friday fridge friend friends front frost frosty frozen fruity full fully fumes fun funnel funny further future fuzzy game garage gas gate
gauze gave general generally gentle gently get gets getting gift gifts girl give gives giving glad glance glassware gloves glow glut goes going gone
grab gradually grainy gran grandfather grandma grandmother grandmothers grandpa granny greased great green greenhouse grew grey grind gritty group
grow growing grown grows guess guests guide habit hair hallway hand handed handy hang happen happens happy hard hardly harm hat hate head headspace
heady health healthy hear heard heart heat heatproof heaven heavier heaviest heavy hedge hedgerow held help helped helps herbal herby heron hide high
higher hill hint history hold holds holiday holidays home homely homes honest honestly hope hopefully hot hotness hotter house household houses huge
hung hungry hurry hurts husband hygiene ice icebox idea ideal imagine immediately immersion important improve include included includes indeed indoors
infuser ingredient ingredients inside instead instruction intense interest interval intervals inverted island items january job join joy jug juicer
july jumper june kcal keen keep keeper kettle key kid kiddies kids kilner kind kinds kitchen kj knew knife know known knows label labels lad lady laid
lake land landlady larder large last late later latest laugh law layer layers lazy leaking lean learn learned learnt least leave leftover leftovers
leg legs leisure lemony lengthways lesson lets letter level lid lidded lids lies life lift lighter lightly lights likely liking linctus line lined
linen lines list listen lists litter live lives living load loads lock lock-keeper locked lockkeeper lonely long longer look losing lost loses looked looking looks
loosely loosen lord lose loud love loved lovely low lower lowest luck lucky lukewarm lunch machine made magic mail main make makes making mallet man
manage manner many march marie mark market masher mason master mat matches matter matters maximum may maybe meadow meal mealtime mealtimes mean means
meant measured measurement measurements measuring medicine meet meeting mellow melt member memory men mention mess message met method microwave middle
might mildness mile miles mill mind minimum mist mistake mix mixture mixtures moderate moist moisture mold moment moments monday mondays money mood
moon mooring morning mornings mortar most mostly mother mothers mould mouldy mouth move moved mud mug mum muslin musty name names narrow nature near
nearby nearly neat necessary neck need neighbour neighbours nephew next nice niece nightly nobody nonmetallic nonreactive noon normal normally north
nose note notes nothing notice november now nowhere number nutrition occasional occasionally october odd often ok okay older oldest once ones onto
oops open opened opening opinion opposite option options orchard order ordinary original other otherwise ought outdoors outside oven overflow
overnight own packet page pages paid pain pan pantry paper parchment part particular partly parts party pass passed past path patience patient pause
pay peak pegs people percent perfect perfectly perfume perhaps period person personal pestle phone photo pick picked picture pinpoint pipe pity place
places plastic plate plates play pleasant please plughole point points poor popular porcelain porch porous portion portions possible possibly post pot
potency potent pots powerful practice prefer prefers pregnant prep preparation prepare present preserve preserved preserves press pressing pressure
pretty prevent price probably problem proceed process product proper properly protect protein proteins proud prove pub pull pulp pungent pure purple
purpose push put quality quantity question quick quicker quickly quiet quietly rack radiator rain rainy ran rancid rapid rare rarely rather ratio
reach reached read ready real really reason reasonable recipe recipes recommended record red reduced reduction refresh refrigerate refrigerated
refrigerator regular regularly rehydrate relative remain remedies remedy remember remove removing repeat replace require required residue resist
result results return rich ride right rim ring rinse river road rolling room roomy rope rough round rows rub rubber rubbery rule run running runs
rustic sad safe safer safety said sake saltiness sang sat saturated saturates saturday saucepan saucer save saved savoury saw say saying says scalded
scale scales scent school schoolchild science scissors scum sea seal sealable sealed sealing season seasonal seasons seconds sediment see seeing seem
seems seen sees self send sense sent separate september serious serve serves service serving servings set sets settle settled settles several shade
shall shallow shape share sharp sharpish shed sheep sheet shelf shelter shelves shimmer shine shiny ship shoe shop shopping shops short shortly sized size shot
should shoulder shoulders show shows shut sick side sides sieve sight sign silicone silk silky silly similar simmering simple simply since sing sink
sinking sip sister sit site size skill skillet skim sky sleep slide slight slightest slightly slimy slip slosh slow slower slowest slowly small
smaller smell smells smile smoke smooth snow soaked soaking soapy sodium soft soften softened softer soil sold solid solution somebody somehow someone
something sometime sometimes somewhere son song soon sooner sore sorry sort sorts sound soupy sour source sources sourness south space spare spatter
spatula speak special speed spell spend spent spill spoil spoiled spoilt sponge spot spots spring springs square squeaky stain stained staining
stainless stains stair stairs stall stand standing stands start started starts stay stays steady steam steel steeped steeping step steps sterile
sterilise sterilised sterilize sterilized stickiness sticky stiff still stir stirred stirrer stirring stock stocking stomach stood stop stopped
storage store stored storm story stove stovetop straight strained strainer straining strands strange stranger street strength strict string strip
strong stronger strongest struggle stuck study stuff style sub subject submerged substitute substituted substitution substitutions suddenly suggest
suit suitable sultry summer summers sun sunday sundays sunlight sunny sunset sunshine supper supply suppose sure surely surface surprise swan swans
swear sweet sweeter sweetish sweetness swim swing swirl syrupy table tables tacky take tale talk tall tang tangy tap tartness taste tastes tasting
tasty taught teach teapot teatime teatowel tell tells temperature term test texture thank thanks thermometer thick thicken thickened thickens thicker
thin thing things think thinks thirsty thoroughly those though thought throat through throughout thursday thursdays tie ties tight tighter tightly
tiller tilt time timer times tin tincturing tiny tired today toddler toddlers together told tomorrow tongue tonic tonight tool tools topping total
totally touch touching toward towards towel town towpath track traditional traditionally transparent traps tray treat tree trees trick trip trouble
true trust truth try trying tuesday tuesdays turn turning turns twice twist type types ugly uncle under understand undisturbed undo uniform unless
until unusual upon upright ups upside upstairs use used useful uses using usual usually utensil utensils vacuum variation variations vegan ventilated
version very vessel view vigorous vigorously village violent visit voice wait walk walked walking wall walls want wanted wants war wardrobe warmer
warmest warmth wash waste watch watery way ways weak weaker weakest wear weather wednesday wednesdays weekend weekends weekly weigh weight weird well
went west wet wharf whatever wheel when whenever where wherever whether while whisk white whole wholesome wide wife wiggle wild willing wind window
windowsill windowsills winter winters wipe wiped wire wise wish wonder wonderful wood wooden wool word words wore work worked working works world
worms worried worry worse worst worth wow wrap wrapped wringing write written wrong yard yearly yellow yes yesterday yield yields young yum yummy zone
`;
