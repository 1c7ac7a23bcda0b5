<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\Tissue;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;
use Somatrace\Core\Pattern\Role;

/** Every figure of planning, from data. Minutes, kPa, 0–10. */
final readonly class PlanFigures
{
    /** @var array<string, string> */
    public array $schoolDefault;

    /** @var array<string, float> in their order: before gloved work, and after it */
    public array $hygieneMinutes;

    /** @var array<string, string> */
    public array $hygieneWords;

    /** @var array<string, string> why, by what is done */
    public array $hygieneWhy;

    /** @var list<string> what is told before the client lies down */
    public array $hygieneBefore;

    /** @var list<string> */
    public array $hygieneAfter;

    /** @var list<string> */
    public array $glovedTechniques;

    public string $glove;

    public UsualHands $usual;

    /** @var list<string> signs that it was too much last time */
    public array $hurtSigns;

    /** the position of the school that works the low back so */
    public string $lowBackFaceDown;

    public float $firstExposureCap;

    public float $firstExposureCapDelicate;

    public float $firstPass;

    public float $passStep;

    public float $stoicStep;

    public float $stretchStep;

    public float $turnCost;

    public float $turnMinutes;

    public float $shiftMinutes;

    public float $settleMinutes;

    public float $warmUpMinutes;

    public float $warmUpMost;

    public float $recheckMinutes;

    public float $restMinutes;

    public float $finishMinutes;

    public float $aftercareMinutes;

    public float $otherSideCap;

    public float $firmFrom;

    public float $minSupport;

    public float $leanLimitPercent;

    public float $pptFelt;

    public float $contactShare;

    public float $defaultMassKg;

    public Plate $plate;

    public TableHeight $table;

    public float $calmMinutes;

    /** of last time's minutes, for each step back */
    public float $regressShare;

    public float $shortVisitMinutes;

    public float $shortShare;

    public float $warmUpPressure;

    public float $offerMinutes;

    public float $sootheMinutes;

    public float $soothePressure;

    /** the longest deep work without a broad stroke */
    public float $deepMinutes;

    /** hands that lie still where no stroke may go */
    public float $stillMinutes;

    public float $feelMinutes;

    public int $feelMost;

    /** what a target is worth at least that was found, or picked by hand */
    public float $foundWeight;

    public float $pickedWeight;

    /** @var array<string, array{name: string, visit: float, day: float, week: float, rests: bool}> by part, minutes at firm pressure */
    public array $handBudgets;

    public Frailty $frailty;

    /** @var list<RegionTotal> */
    public array $regionTotals;

    /** what a joint that was found stiff counts at least, however little it explains */
    public float $jointSupport;

    public float $jointTau;

    /** @var list<string> zones whose muscles a school lays face-down or on the side */
    public array $lowBackZones;

    /** a movement is short that lacks so much of its norm, as a share */
    public float $rangeShortShare;

    /** @var list<string> ends of a movement that are a question */
    public array $blockedEnds;

    /** @var array<string, float> most minutes a visit and side, by tissue; tendon for structures that are delicate */
    private array $minutesMost;

    /** @var array<string, float> the same for a first time */
    private array $minutesMostFirst;

    public int $maxTargets;

    /** of what was found, at least so many are weighed against each other */
    private int $foundLeast;

    /** and one more for so many minutes of the visit */
    private float $foundMinutes;

    public int $defaultMinutes;

    public int $lateStageDays;

    public int $toleranceVisits;

    public float $toleranceSorenessHours;

    public float $toleranceStep;

    public int $finePrecision;

    public int $broadPrecision;

    /** @var array<string, float> most a school allows, 0–10 */
    private array $schoolCaps;

    /** @var array<string, float> minutes until two thirds of the benefit are reached */
    private array $tau;

    /** @var array<string, float> most a tissue bears, 0–10 */
    private array $robustness;

    /** @var array<string, float> */
    private array $roleWeights;

    /** @var list<string> in the order of work */
    public array $regions;

    /** @var array<string, string> */
    public array $regionOfZone;

    /** @var array<string, list<string>> regions that are worked before one, where both are */
    public array $regionsBefore;

    private function __construct(Fields $file)
    {
        $this->schoolDefault = $file->stringMap('school_default');
        $this->hygieneMinutes = $file->floatMap('hygiene_minutes');
        $this->hygieneWords = $file->stringMap('hygiene_words');
        $this->hygieneWhy = $file->stringMap('hygiene_why');
        $this->hygieneBefore = $file->strings('hygiene_before');
        $this->hygieneAfter = $file->strings('hygiene_after');
        $this->glovedTechniques = $file->strings('gloved_techniques');
        $this->glove = $file->string('glove');
        $this->usual = UsualHands::from($file->fields('usual'));
        $this->hurtSigns = $file->strings('hurt_signs');
        $this->lowBackFaceDown = $file->string('low_back_face_down');
        $this->firstExposureCap = $file->float('first_exposure_cap');
        $this->firstExposureCapDelicate = $file->float('first_exposure_cap_delicate');
        $this->firstPass = $file->float('first_pass');
        $this->passStep = $file->float('step');
        $this->stoicStep = $file->float('stoic_step');
        $this->stretchStep = $file->float('stretch_step');
        $this->turnCost = $file->float('turn_cost');
        $this->turnMinutes = $file->float('turn_minutes');
        $this->shiftMinutes = $file->float('shift_minutes');
        $this->settleMinutes = $file->float('settle_minutes');
        $this->warmUpMinutes = $file->float('warm_up_minutes');
        $this->warmUpMost = $file->float('warm_up_most');
        $this->recheckMinutes = $file->float('recheck_minutes');
        $this->restMinutes = $file->float('rest_minutes');
        $this->finishMinutes = $file->float('finish_minutes');
        $this->aftercareMinutes = $file->float('aftercare_minutes');
        $this->otherSideCap = $file->float('other_side_cap');
        $this->firmFrom = $file->float('firm_from');
        $this->minSupport = $file->float('min_support');
        $this->leanLimitPercent = $file->float('lean_limit_percent');
        $this->pptFelt = $file->float('ppt_felt');
        $this->contactShare = $file->float('contact_share');
        $this->defaultMassKg = $file->float('default_mass_kg');
        $this->plate = Plate::from($file->fields('plate'), $this->pptFelt);
        $this->table = TableHeight::from($file->fields('table'));
        $this->calmMinutes = $file->float('calm_minutes');
        $this->regressShare = $file->float('regress_share');
        $this->shortVisitMinutes = $file->float('short_visit_minutes');
        $this->shortShare = $file->float('short_share');
        $this->warmUpPressure = $file->float('warm_up_pressure');
        $this->offerMinutes = $file->float('offer_minutes');
        $this->sootheMinutes = $file->float('soothe_minutes');
        $this->soothePressure = $file->float('soothe_pressure');
        $this->deepMinutes = $file->float('deep_minutes');
        $this->stillMinutes = $file->float('still_minutes');
        $this->feelMinutes = $file->float('feel_minutes');
        $this->feelMost = $file->int('feel_most');
        $this->foundWeight = $file->float('found_weight');
        $this->pickedWeight = $file->float('picked_weight');
        $this->frailty = Frailty::from($file->fields('frail'));
        $this->regionTotals = $file->map('region_totals', RegionTotal::from(...));
        $budgets = $file->fields('hand_budgets');
        $this->handBudgets = array_combine($budgets->keys(), array_map(static fn (string $part): array => [
            'name' => $budgets->fields($part)->string('name'), 'visit' => $budgets->fields($part)->float('visit'),
            'day' => $budgets->fields($part)->float('day'), 'week' => $budgets->fields($part)->float('week'),
            'rests' => $budgets->fields($part)->string('then') === 'rest',
        ], $budgets->keys()));
        $this->jointSupport = $file->float('joint_support');
        $this->lowBackZones = $file->strings('low_back_zones');
        $this->jointTau = $file->float('joint_tau');
        $this->rangeShortShare = $file->float('range_short_share');
        $this->blockedEnds = $file->strings('blocked_ends');
        $this->minutesMost = $file->floatMap('minutes_most');
        $this->minutesMostFirst = $file->floatMap('minutes_most_first');
        $this->maxTargets = $file->int('max_targets');
        $this->foundLeast = $file->int('found_least');
        $this->foundMinutes = $file->float('found_minutes');
        $this->defaultMinutes = $file->int('default_minutes');
        $this->lateStageDays = $file->int('late_stage_days');
        $this->toleranceVisits = $file->int('tolerance_visits');
        $this->toleranceSorenessHours = $file->float('tolerance_soreness_hours');
        $this->toleranceStep = $file->float('tolerance_step');
        $this->finePrecision = $file->int('fine_precision');
        $this->broadPrecision = $file->int('broad_precision');
        $this->schoolCaps = $file->floatMap('school_cap');
        $this->tau = $file->floatMap('tau_minutes');
        $this->robustness = $file->floatMap('robustness');
        $this->roleWeights = $file->floatMap('role_weight');
        $regions = $file->fields('regions');
        $this->regions = $regions->keys();
        $regionOf = [];
        foreach ($this->regions as $region) {
            foreach ($regions->strings($region) as $zone) {
                $regionOf[$zone] = $region;
            }
        }
        $this->regionOfZone = $regionOf;
        $before = $file->fields('regions_before');
        $this->regionsBefore = array_combine($before->keys(), array_map($before->strings(...), $before->keys()));
    }

    public static function load(string $folder): self
    {
        return new self(JsonFile::read("$folder/planning.json"));
    }

    /** Of what was found, how many at most are weighed against each other in a visit of so many minutes: no visit holds more. */
    public function mostFound(float $minutes): int
    {
        return max($this->foundLeast, (int) ceil($minutes / max(0.1, $this->foundMinutes)));
    }

    public function tau(Tissue $tissue): float
    {
        return $this->tau[$tissue->value];
    }

    public function robustness(Tissue $tissue): float
    {
        return $this->robustness[$tissue->value];
    }

    public function roleWeight(Role $role): float
    {
        return $this->roleWeights[$role->value];
    }

    public function schoolCap(string $school): float
    {
        return $this->schoolCaps[$school];
    }

    /** The most minutes a muscle or tendon is worked in a visit, warm-up not counted. */
    public function mostMinutes(Muscle $muscle, bool $firstTime): MinutesCap
    {
        $tissue = $muscle->isStructure && $muscle->tissue === Tissue::Delicate ? 'tendon' : $muscle->tissue->value;
        $first = $firstTime ? $this->minutesMostFirst[$tissue] ?? null : null;

        return $first === null
            ? new MinutesCap($this->minutesMost[$tissue], ucfirst($tissue).' tissue is worked no longer in a visit.')
            : new MinutesCap($first, 'The first time '.$tissue.' tissue is worked only shortly.');
    }

    public function region(string $zone): string
    {
        return $this->regionOfZone[$zone] ?? 'back';
    }

    public function regionRank(string $region): int
    {
        return (int) array_search($region, $this->regions, true);
    }
}
