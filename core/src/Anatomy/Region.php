<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A part of the body as it is assessed: its zones, a short list of checks for when there is little time, and the rest. */
final readonly class Region
{
    public const QUICK_AT_MOST = 6;

    /**
     * @param  non-empty-list<string>  $zones
     * @param  list<string>  $look  posture signs the eye looks for, the telling ones first
     * @param  list<array{string, string}>  $quick  kind (range, resisted, test) and id of at most six measures, the telling ones first
     * @param  list<string>  $quickMuscles  at most six
     * @param  list<array{string, string}>  $more  what a full assessment adds
     * @param  list<array{list<string>, list<array{string, string}>}>  $byComplaint  zones, and what a pain there asks for first
     * @param  list<array{string, string}>  $nerve  what comes first where a complaint of the region feels like a nerve
     * @param  list<string>  $nerveQualities  how that feels
     */
    private function __construct(
        public string $id,
        public string $name,
        public array $zones,
        public array $look,
        public array $quick,
        public array $quickMuscles,
        public array $more,
        public array $byComplaint,
        public array $nerve,
        public array $nerveQualities,
        public string $source,
    ) {
    }

    /** @param  Fields  $nerve  the checks of a nerve, by limb, and how it feels */
    public static function from(Fields $row, Fields $nerve): self
    {
        $checks = static fn (Fields $of, string $key): array => $of->map(
            $key, static fn (Fields $check): array => [$check->string('check'), $check->string('id')],
        );
        $limb = $row->stringOrNull('nerve');
        $zones = $row->strings('zones');

        return new self(
            $row->string('id'), $row->string('name'), $zones === [] ? throw UnknownId::in('zone', '') : $zones,
            $row->strings('look'), $checks($row, 'quick'), $row->strings('quick_muscles'), $checks($row, 'more'),
            $row->map('by_complaint', static fn (Fields $one): array => [$one->strings('zones'), $checks($one, 'checks')]),
            $limb === null ? [] : $checks($nerve, $limb), $nerve->strings('qualities'), $row->string('source'),
        );
    }

    /** @return list<array{string, string}> what a pain in that zone asks for first */
    public function askedBy(string $zone): array
    {
        return array_merge(...array_map(
            static fn (array $one): array => in_array($zone, $one[0], true) ? $one[1] : [], $this->byComplaint,
        ));
    }
}
