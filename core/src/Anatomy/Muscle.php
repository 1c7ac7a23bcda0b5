<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** What the atlas knows of one muscle or structure; every figure of it is a practice default unless its row says otherwise. */
final readonly class Muscle
{
    /**
     * @param  int  $layer  1 surface … 4 deepest
     * @param  list<string>  $zones  the skin zones it lies under
     * @param  array<string, list<string>>  $siteZones  zones of one site, where they differ
     * @param  list<string>  $coreReferral
     * @param  list<string>  $spillOver
     * @param  list<MovementUse>  $actions
     * @param  list<MovementUse>  $lengthenedBy
     * @param  list<string>  $antagonists
     * @param  list<string>  $demands
     * @param  list<string>  $positions  preferred first; `side_up` is lying with this muscle's side upward
     * @param  list<string>  $techniques  preferred first
     * @param  list<string>  $tools  preferred first
     * @param  list<string>  $find  in order of touch
     * @param  list<string>  $beware
     * @param  bool  $advanced  only for a therapist who calls themselves advanced
     * @param  float|null  $mostFelt  the strongest it may ever feel, where its place asks for less than its tissue
     */
    private function __construct(
        public string $id,
        public string $name,
        public ?string $plain,
        public string $group,
        public bool $isStructure,
        public int $layer,
        public Tissue $tissue,
        public array $zones,
        public array $siteZones,
        public string $workSite,
        public array $coreReferral,
        public array $spillOver,
        public string $upperAttachment,
        public string $lowerAttachment,
        public string $nerve,
        public array $actions,
        public array $lengthenedBy,
        public array $antagonists,
        public array $demands,
        public array $positions,
        public array $techniques,
        public array $tools,
        public ?string $clientAction,
        public ?string $consent,
        public float $pptKpa,
        public array $find,
        public string $proof,
        public array $beware,
        public bool $advanced,
        public ?float $mostFelt,
    ) {
    }

    public static function from(Fields $row): self
    {
        $use = static fn (Fields $move): MovementUse => new MovementUse(
            $move->string('movement'),
            Relation::from($move->string('side')),
            $move->stringOrNull('grade') === 'prime',
        );
        $sites = $row->fields('site_zones');
        $siteZones = [];
        foreach ($sites->keys() as $site) {
            $siteZones[$site] = $sites->strings($site);
        }

        return new self(
            $row->string('id'), $row->string('name'), $row->stringOrNull('plain'), $row->string('group'), $row->string('kind') === 'structure',
            $row->int('layer'), Tissue::from($row->string('tissue')),
            $row->strings('zones'), $siteZones, $row->string('work_site'),
            $row->fields('refers')->strings('core'), $row->fields('refers')->strings('spill_over'),
            $row->fields('attachments')->string('upper'), $row->fields('attachments')->string('lower'), $row->string('nerve'),
            $row->map('actions', $use), $row->map('lengthened_by', $use),
            $row->strings('antagonists'), $row->strings('demands'), $row->strings('positions'), $row->strings('techniques'), $row->strings('tools'),
            $row->stringOrNull('client_action'), $row->stringOrNull('consent'), $row->float('ppt_kpa'),
            $row->strings('find'), $row->string('proof'), $row->strings('beware'),
            $row->bool('advanced'), $row->floatOrNull('most_felt'),
        );
    }

    /** @return list<string> the zones of a site; the whole muscle's where the site has none of its own */
    public function zonesOf(?string $site): array
    {
        return $site === null || $site === 'whole' ? $this->everyZone() : $this->siteZones[$site] ?? $this->zones;
    }

    /** @return list<string> */
    public function everyZone(): array
    {
        return array_values(array_unique(array_merge($this->zones, ...array_values($this->siteZones))));
    }

    /** @return list<string> positions with `side_up` put into words for this side */
    public function positionsFor(Side $side): array
    {
        $up = $side === Side::Left ? 'side_right' : 'side_left';

        return array_map(static fn (string $position): string => $position === 'side_up' ? $up : $position, $this->positions);
    }
}
