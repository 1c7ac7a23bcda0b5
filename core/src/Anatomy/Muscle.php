<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** What the atlas knows of one muscle or structure; every figure of it is a practice default unless its row says otherwise. */
final readonly class Muscle
{
    /**
     * @param  string|null  $partOf  the muscle or group of which it is a part that can be told apart
     * @param  int  $layer  1 surface … 4 deepest
     * @param  list<string>  $zones  the skin zones it lies under
     * @param  array<string, Site>  $sites  parts of it that are worked otherwise or lie elsewhere
     * @param  list<string>  $coreReferral
     * @param  list<string>  $spillOver
     * @param  list<MovementUse>  $actions  movements that can be measured
     * @param  list<MovementUse>  $lengthenedBy
     * @param  list<string>  $antagonists
     * @param  list<string>  $demands  those that shorten or tire it
     * @param  list<string>  $positions  preferred first; `side_up` is lying with this muscle's side upward
     * @param  list<string>  $techniques  preferred first
     * @param  list<string>  $tools  preferred first
     * @param  list<string>  $beware  what this muscle asks for
     * @param  bool  $advanced  only for a therapist who calls themselves advanced
     * @param  bool  $seldom  seldom the source by itself
     * @param  float|null  $mostFelt  the strongest it may ever feel, where its place asks for less than its tissue
     * @param  list<string>  $hazards  what lies beside or under it that is never pressed
     * @param  string  $reference  packed: the computations run over every muscle and read none of it
     */
    private function __construct(
        public string $id,
        public string $name,
        public ?string $plain,
        public ?string $partOf,
        public string $group,
        public bool $isStructure,
        public int $layer,
        public Tissue $tissue,
        public array $zones,
        public array $sites,
        public string $workSite,
        public array $coreReferral,
        public array $spillOver,
        public array $actions,
        public array $lengthenedBy,
        public array $antagonists,
        public array $demands,
        public array $positions,
        public array $techniques,
        public array $tools,
        public ?ClientAction $clientAction,
        public ?string $consent,
        public float $pptKpa,
        public ?float $mostFelt,
        public bool $advanced,
        public bool $seldom,
        public array $beware,
        public array $hazards,
        private string $reference,
    ) {
    }

    public static function from(Fields $row): self
    {
        $use = static fn (Fields $move): MovementUse => new MovementUse(
            $move->string('movement'),
            Relation::from($move->string('side')),
            $move->stringOrNull('grade') === 'prime',
        );
        $sites = $row->fields('sites');
        $parts = [];
        foreach ($sites->keys() as $site) {
            $parts[$site] = Site::from($sites->fields($site));
        }
        $reference = MuscleReference::from($row);

        return new self(
            $row->string('id'), $row->string('name'), $row->stringOrNull('plain'),
            $row->stringOrNull('part_of'), $row->string('group'),
            $row->string('kind') === 'structure',
            $row->int('layer'), Tissue::from($row->string('tissue')), $row->strings('zones'), $parts, $row->string('work_site'),
            $row->fields('refers')->strings('core'), $row->fields('refers')->strings('spill_over'),
            $row->map('actions', $use), $row->map('lengthened_by', $use), $row->strings('antagonists'),
            array_values(array_unique([...$reference->shortenedBy, ...$reference->tiredBy])),
            $row->strings('positions'), $row->strings('techniques'), $row->strings('tools'),
            ($action = $row->fieldsOrNull('client_action')) === null ? null : ClientAction::from($action), $row->stringOrNull('consent'),
            $row->float('ppt_kpa'), $row->floatOrNull('most_felt'), $row->bool('advanced'), $row->bool('seldom'),
            $row->strings('beware'),
            $row->strings('hazards'), serialize($reference),
        );
    }

    public function reference(): MuscleReference
    {
        $reference = unserialize($this->reference);

        return $reference instanceof MuscleReference
            ? $reference
            : throw new \LogicException("The reference of {$this->id} cannot be unpacked.");
    }

    /** @return list<string> techniques at a site; the whole muscle's where the site has none of its own */
    public function techniquesAt(?string $site): array
    {
        return $this->at($site)->techniques ?? [] ?: $this->techniques;
    }

    /** @return list<string> tools at a site; the whole muscle's where the site has none of its own */
    public function toolsAt(?string $site): array
    {
        return $this->at($site)->tools ?? [] ?: $this->tools;
    }

    /** @return list<string> the zones of a site; the whole muscle's where the site has none of its own */
    public function zonesOf(?string $site): array
    {
        return $site === null || $site === 'whole' ? $this->everyZone() : ($this->at($site)->zones ?? [] ?: $this->zones);
    }

    private function at(?string $site): ?Site
    {
        return $this->sites[$site ?? ''] ?? null;
    }

    /** @return list<string> */
    public function everyZone(): array
    {
        return array_values(array_unique(array_merge(
            $this->zones, ...array_values(array_map(static fn (Site $site): array => $site->zones, $this->sites)),
        )));
    }

    /** @return list<string> positions with `side_up` put into words for this side */
    public function positionsFor(Side $side): array
    {
        return $side->positions($this->positions);
    }
}
