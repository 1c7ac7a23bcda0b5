<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Aggravator;
use Somatrace\Core\Units\PressureUnit;

/** What things are called in a paper, with the dates and units of the clinic. */
final readonly class Terms
{
    private const TEXTURES = [
        'taut_band' => 'a taut band', 'nodule' => 'a nodule', 'ropy' => 'ropy', 'gritty' => 'gritty', 'stuck_layers' => 'layers that stick',
        'swollen' => 'swollen', 'warm' => 'warm', 'cold' => 'cold', 'click' => 'a click', 'twitch' => 'a twitch under the finger',
    ];

    private const TONES = ['low' => 'tone low', 'high' => 'tone raised', 'spasm' => 'in spasm'];

    private const SITES = [
        'upper_attachment' => 'at the upper attachment', 'lower_attachment' => 'at the lower attachment', 'belly' => 'in the belly',
        'upper_belly' => 'in the upper belly', 'lower_belly' => 'in the lower belly', 'tendon' => 'at the tendon',
    ];

    private const QUALITIES = [
        'ache' => 'aching', 'tight' => 'tight', 'sharp' => 'sharp', 'burning' => 'burning', 'tingling' => 'tingling', 'numb' => 'numb',
        'throbbing' => 'throbbing', 'heavy' => 'heavy', 'electric' => 'like a current',
    ];

    /** What the room says in a word, as it is told afterwards. */
    private const SIGNS = [
        'softened' => 'it softened', 'shifted' => 'the tissue shifted', 'referral_faded' => 'the referred sensation faded',
        'burning' => 'it burned', 'spasm' => 'it went into spasm', 'nothing_changed' => 'nothing changed',
        'stopped' => 'the client said stop',
        'spasm_growing' => 'the spasm grew', 'breath_held' => 'the breath was held', 'shoulders_lifted' => 'the shoulders lifted',
        'guarding' => 'guarding',
    ];

    private const GRADES = [1 => 'slight', 2 => 'moderate', 3 => 'marked'];

    /**
     * @param  string  $dateForm  as PHP formats dates
     * @param  bool  $toClient  the client is spoken to, and not of
     */
    public function __construct(
        private Atlas $atlas,
        public Wording $wording = Wording::Both,
        private string $dateForm = 'j F Y',
        private PressureUnit $unit = PressureUnit::KiloPascal,
        private bool $toClient = false,
    ) {
    }

    public function ownPain(): string
    {
        return $this->toClient ? 'your own pain' : 'the client’s own pain';
    }

    public function inTheirWords(): string
    {
        return $this->toClient ? 'In your words' : 'In the client’s words';
    }

    public function date(\DateTimeImmutable $day): string
    {
        return $day->format($this->dateForm);
    }

    /** @param  bool  $glossed  with the other word beside it, where the wording wants both */
    public function muscle(string $id, bool $glossed = false): string
    {
        $muscle = $this->atlas->muscle($id);
        $name = Prose::within($muscle->name);

        return match (true) {
            $muscle->plain === null || $this->wording === Wording::Clinical => $name,
            $this->wording === Wording::Plain => $muscle->plain,
            default => $glossed ? "$name ({$muscle->plain})" : $name,
        };
    }

    /** A muscle with its side before it. */
    public function muscleOn(string $id, Side $side, bool $glossed = false): string
    {
        return ($side === Side::Midline ? '' : "{$side->value} ").$this->muscle($id, $glossed);
    }

    public function place(Place $place): string
    {
        return $place->side->on($this->atlas->zone($place->zone)->name);
    }

    /** Where it is, as one says where. */
    public function at(Place $place): string
    {
        $name = $this->place($place);

        return preg_match('/^(between|round) /', $name) === 1 ? $name : "in the $name";
    }

    /** @param  list<Place>  $places */
    public function places(array $places): string
    {
        $sides = [];
        foreach ($places as $place) {
            $sides[$place->zone][$place->side->value] = true;
        }
        $names = [];
        foreach ($sides as $zone => $on) {
            $name = $this->atlas->zone((string) $zone)->name;
            $names[] = match (true) {
                isset($on['left'], $on['right']) => "$name on both sides",
                isset($on['left']) => "$name on the left",
                isset($on['right']) => "$name on the right",
                default => $name,
            };
        }
        $more = count($names) - 4;

        return $more > 1 ? Prose::list([...array_slice($names, 0, 4), "$more other places"]) : Prose::list($names);
    }

    /**
     * A wide stretch of the body by its large parts.
     *
     * @param  list<Place>  $places
     */
    public function areas(array $places): string
    {
        if (count(array_unique(array_map(static fn (Place $one): string => $one->zone, $places))) <= 4) {
            return $this->places($places);
        }
        $sides = [];
        foreach ($places as $place) {
            $sides[$this->atlas->zone($place->zone)->group][$place->side->value] = true;
        }
        $both = array_filter($sides, static fn (array $on): bool => isset($on['left'], $on['right']));
        $names = array_map(static fn (array $on, string $group): string => match (true) {
            isset($on['left']) => "$group on the left",
            isset($on['right']) => "$group on the right",
            default => $group,
        }, array_diff_key($sides, $both), array_keys(array_diff_key($sides, $both)));

        return Prose::list([$both === [] ? '' : Prose::list(array_keys($both)).' on both sides', ...$names]);
    }

    public function movement(string $id): string
    {
        $movement = $this->atlas->movement($id);

        return $this->wording->of(Prose::within($movement->name), $movement->clinical);
    }

    /** @return string|null null for a grade that says it is not there */
    public function posture(string $sign, int $grade): ?string
    {
        $about = $this->atlas->postureSigns[$sign] ?? null;
        $how = self::GRADES[$grade] ?? null;

        return $about === null || $how === null ? null : $this->wording->of(Prose::within($about->name), $about->clinical).", $how";
    }

    /** @param  bool  $glossed  with the other word beside it, where the wording wants both */
    public function technique(string $id, bool $glossed = true): string
    {
        $technique = $this->atlas->technique($id);
        $name = Prose::within($technique->name);

        return $this->wording === Wording::Both && ! $glossed ? $name : $this->wording->of($name, $technique->clinical);
    }

    public function tool(string $id): string
    {
        return $this->atlas->tool($id)->name;
    }

    public function sign(string $id): string
    {
        $stop = array_column($this->atlas->stopSigns, 'name', 'id')[$id] ?? null;

        return self::SIGNS[$id] ?? Prose::within($stop ?? $this->atlas->answerSigns[$id] ?? str_replace('_', ' ', $id));
    }

    public function texture(string $id): string
    {
        return self::TEXTURES[$id] ?? str_replace('_', ' ', $id);
    }

    /** @return string|null null for a tone that is as usual */
    public function tone(string $id): ?string
    {
        return self::TONES[$id] ?? null;
    }

    /** @return string|null null for a muscle as a whole */
    public function site(?string $id): ?string
    {
        return self::SITES[$id ?? ''] ?? null;
    }

    public function spot(string $muscle, string $id): string
    {
        foreach ($this->atlas->handwork()->spotsOf($muscle)->spots as $spot) {
            if ($spot->id === $id) {
                return $spot->name;
            }
        }

        return str_replace('_', ' ', $id);
    }

    public function quality(string $id): string
    {
        return self::QUALITIES[$id] ?? $id;
    }

    /**
     * @param  'worse'|'better'  $how
     * @param  list<Aggravator>  $all
     * @return string what worsens or eases, with its word: "worse with sitting, and at night"; empty where nothing was said
     */
    public function answersTo(string $how, array $all): string
    {
        $with = $when = [];
        foreach ($all as $one) {
            $situation = $one->situation === null ? null : $this->atlas->handbook()->situation($one->situation);
            if ($situation?->when === true) {
                $when[] = $situation->name;
            } else {
                $with[] = $situation->name ?? $this->aggravator($one);
            }
        }
        $parts = array_filter([$with === [] ? '' : 'with '.Prose::list($with), implode(' and ', $when)]);

        return $parts === [] ? '' : "$how ".implode($with === [] ? ' ' : ', and ', $parts);
    }

    private function aggravator(Aggravator $one): string
    {
        if ($one->demand !== null) {
            return $this->atlas->demands[$one->demand] ?? str_replace('_', ' ', $one->demand);
        }
        $side = $one->side === null || $one->side === Side::Midline ? '' : " ({$one->side->value})";

        return $one->movement === null ? '' : Prose::within($this->atlas->movement($one->movement)->name).$side;
    }

    public function pressure(float $kPa): string
    {
        $value = $kPa / $this->unit->kPa();

        return round($value, $value < 20 ? 1 : 0)." {$this->unit->value}";
    }
}
