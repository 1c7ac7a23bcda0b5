<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fault;

/** Every id that one data file borrows from another exists there, and every list holds the ids of the vocabulary, once each. */
final readonly class AtlasReferences
{
    /** Where ids of a kind are used: file → path, `*` for every member of a list or map. */
    private const USES = [
        'directions' => ['directions/*/opposite' => 'direction'],
        'zones' => ['zones/*/neighbours/*' => 'zone', 'sets/*/*' => 'zone'],
        'landmarks' => ['landmarks/*/zones/*' => 'zone'],
        'hazards' => ['hazards/*/zones/*' => 'zone', 'hazards/*/landmarks/*' => 'landmark', 'hazards/*/forbids/tools/*' => 'tool'],
        'self_care' => ['self_care/*/not_with/*' => 'condition'],
        'movements' => ['movements/*/directions/*' => 'direction', 'movements/*/carries/*' => 'direction'],
        'muscles' => [
            'muscles/*/zones/*' => 'zone', 'muscles/*/refers/*/*' => 'zone', 'muscles/*/sites/*/zones/*' => 'zone',
            'muscles/*/sites/*/techniques/*' => 'technique', 'muscles/*/sites/*/tools/*' => 'tool',
            'muscles/*/attachments/*/landmarks/*' => 'landmark', 'muscles/*/find/*/landmark' => 'landmark',
            'muscles/*/actions/*/movement' => 'movement', 'muscles/*/lengthened_by/*/movement' => 'movement',
            'muscles/*/other_actions/*/direction' => 'direction', 'muscles/*/proof/uses/*/direction' => 'direction',
            'muscles/*/part_of' => 'muscle', 'muscles/*/covered_by/*' => 'muscle', 'muscles/*/antagonists/*' => 'muscle',
            'muscles/*/synergists/*' => 'muscle',
            'muscles/*/techniques/*' => 'technique', 'muscles/*/client_action/judged_as' => 'technique', 'muscles/*/tools/*' => 'tool',
            'muscles/*/consent' => 'consent area',
            'muscles/*/demands/*/*' => 'demand', 'muscles/*/self_care/*' => 'self-care', 'muscles/*/hazards/*' => 'hazard',
        ],
        'tests' => [
            'sets/*/tests/*' => 'test',
            'tests/*/never/flags/*' => 'red flag', 'tests/*/never/conditions/*' => 'condition', 'tests/*/never/unsettled/*' => 'condition',
            'tests/*/short/*' => 'muscle', 'tests/*/speaks_of/*/muscles/*' => 'muscle', 'tests/*/speaks_of/*/joint' => 'joint',
            'tests/*/alarms/*' => 'stop sign', 'tests/*/where/*' => 'zone',
        ],
        'chains' => ['stiff/*/region' => 'region', 'stiff/*/overworks/*' => 'region', 'busy_side/muscles/*' => 'muscle'],
        'regions' => [
            'regions/*/zones/*' => 'zone', 'regions/*/look/*' => 'posture sign', 'regions/*/by_complaint/*/zones/*' => 'zone',
            'regions/*/quick_muscles/*' => 'muscle',
        ],
        'posture_signs' => ['posture_signs/*/short/*/muscle' => 'muscle', 'posture_signs/*/long/*/muscle' => 'muscle'],
        'techniques' => [
            'techniques/*/tools/*' => 'tool', 'techniques/*/not_with/*/condition' => 'condition',
            'techniques/*/not_with/*/unsettled' => 'condition', 'techniques/*/not_with/*/flag' => 'red flag',
            'techniques/*/products/*' => 'product', 'techniques/*/moves_as' => 'technique',
            'techniques/*/branch' => 'branch', 'techniques/*/ends/*' => 'end of a manoeuvre',
        ],
        'positions' => ['positions/*/beneath/zones/*' => 'zone'],
        'tableside' => ['after/*/zones/*' => 'zone'],
        'setups' => [
            'setups/*/positions/*' => 'position', 'setups/*/opens/*' => 'zone', 'setups/*/brings/*/movement' => 'movement',
            'setups/*/consent' => 'consent area', 'setups/*/not_with/*/condition' => 'condition',
            'setups/*/not_with/*/unsettled' => 'condition', 'setups/*/not_with/*/flag' => 'red flag',
        ],
        'spots' => [
            'muscles/*/muscle' => 'muscle', 'muscles/*/lines/*/from' => 'landmark', 'muscles/*/lines/*/to' => 'landmark',
        ],
        'moves' => [
            'moves/*/muscles/*' => 'muscle', 'moves/*/technique' => 'technique', 'moves/*/setup' => 'set-up',
            'moves/*/movement' => 'movement',
        ],
        'joints' => [
            'joints/*/zones/*' => 'zone', 'joints/*/pain/*/own/*' => 'zone', 'joints/*/pain/*/felt/*' => 'zone',
            'joints/*/around/*' => 'muscle', 'joints/*/starts_from/*/test' => 'test', 'joints/*/starts_from/*/movement' => 'movement',
            'joints/*/starts_from/*/short' => 'movement', 'joints/*/starts_from/*/pattern/*' => 'movement',
            'joints/*/manoeuvres/*/technique' => 'technique', 'joints/*/manoeuvres/*/zones/*' => 'zone',
            'joints/*/manoeuvres/*/tool' => 'tool',
            'joints/*/manoeuvres/*/toward' => 'landmark', 'joints/*/again/*/test' => 'test', 'joints/*/again/*/movement' => 'movement',
        ],
        'routines' => [
            'regions/*/warm/*' => 'zone', 'regions/*/finish/*' => 'zone', 'regions/*/warm_over/*/*' => 'zone',
            'regions/*/finish_over/*/*' => 'zone', 'never_stroked/*' => 'zone',
            'routines/*/setup' => 'set-up', 'routines/*/stages/*/muscles/*' => 'muscle', 'routines/*/stages/*/asks/*' => 'muscle',
            'routines/*/stages/*/joints/*' => 'joint', 'routines/*/stages/*/zones/*' => 'zone',
            'routines/*/stages/*/ways/*/technique' => 'technique', 'routines/*/stages/*/ways/*/muscles/*' => 'muscle',
            'routines/*/stages/*/ways/*/tool' => 'tool', 'routines/*/stages/*/ways/*/setup/id' => 'set-up',
            'routines/*/stages/*/ways/*/product' => 'product',
        ],
        'whole_pattern' => [
            'signs/*/lesser' => 'movement', 'signs/*/lesser_test' => 'test', 'signs/*/test' => 'test', 'signs/*/posture' => 'posture sign',
            'front/*' => 'muscle', 'behind/*' => 'muscle',
        ],
        'consent_areas' => [
            'consent_areas/*/muscles/*' => 'muscle', 'consent_areas/*/zones/*' => 'zone', 'consent_areas/*/techniques/*' => 'technique',
        ],
        'compositions' => [
            'slots/*/techniques/*' => 'technique', 'first_places/*' => 'zone', 'tendon_condition' => 'condition',
            'strain_condition' => 'condition',
            'barred_when_acute' => 'technique', 'signs/*/condition' => 'condition', 'signs/*/muscle' => 'muscle',
        ],
        'planning' => [
            'regions/*/*' => 'zone', 'region_totals/*/muscles/*' => 'muscle', 'frail/conditions/*' => 'condition',
            'frail/medicine' => 'medicine', 'gloved_techniques/*' => 'technique', 'glove' => 'product',
            'usual/stroke' => 'technique', 'usual/broad' => 'tool', 'usual/finger' => 'tool', 'usual/point_hold' => 'technique',
            'usual/stretch' => 'technique', 'usual/no_product' => 'product', 'usual/oil' => 'product', 'usual/oils_on_hair/*' => 'product',
            'low_back_face_down' => 'position', 'low_back_zones/*' => 'zone',
        ],
        'protocols' => [
            'protocols/*/conditions/zones/*' => 'zone', 'protocols/*/conditions/not_with/*' => 'condition',
            'protocols/*/targets/*/muscle' => 'muscle', 'protocols/*/targets/*/joint/kind' => 'joint',
            'protocols/*/targets/*/technique' => 'technique', 'protocols/*/targets/*/tool' => 'tool',
            'protocols/*/targets/*/setup/id' => 'set-up',
        ],
        'clot_score' => ['flag' => 'red flag', 'girth_test' => 'test', 'measured_item' => 'clot item'],
    ];

    /** Where the ids of a kind are listed: file and list. */
    private const LISTS = [
        'direction' => ['directions', 'directions'], 'zone' => ['zones', 'zones'], 'landmark' => ['landmarks', 'landmarks'],
        'hazard' => ['hazards', 'hazards'],
        'movement' => ['movements', 'movements'], 'muscle' => ['muscles', 'muscles'], 'self-care' => ['self_care', 'self_care'],
        'test' => ['tests', 'tests'], 'region' => ['regions', 'regions'],
        'posture sign' => ['posture_signs', 'posture_signs'], 'technique' => ['techniques', 'techniques'], 'tool' => ['tools', 'tools'],
        'position' => ['positions', 'positions'],
        'product' => ['products', 'products'], 'demand' => ['demands', 'demands'],
        'situation' => ['demands', 'situations'], 'consent area' => ['consent_areas', 'consent_areas'],
        'condition' => ['conditions', 'conditions'], 'medicine' => ['conditions', 'medicines'], 'red flag' => ['red_flags', 'flags'],
        'clot item' => ['clot_score', 'items'],
        'set-up' => ['setups', 'setups'], 'joint' => ['joints', 'joints'],
        'branch' => ['techniques', 'branches'],
        'stop sign' => ['signs', 'stop'], 'answer sign' => ['signs', 'answer'],
    ];

    /** Kinds whose ids the vocabulary fixes, and where it holds them. */
    private const VOCABULARY = [
        'zone' => 'zones', 'movement' => 'movements', 'test' => 'tests', 'posture sign' => 'posture_signs', 'technique' => 'techniques',
        'tool' => 'tools', 'position' => 'positions',
        'product' => 'products', 'demand' => 'demands', 'situation' => 'situations',
        'consent area' => 'consent_areas', 'condition' => 'conditions',
        'medicine' => 'medicines', 'red flag' => 'red_flags',
        'clot item' => 'clot_items', 'stop sign' => 'stop_signs', 'answer sign' => 'answer_signs', 'muscle' => 'muscles',
        'set-up' => 'setups', 'joint' => 'joints',
    ];

    /** Keys under which safety names a set of zones: one that is none would bound nothing, and nobody would see it. */
    private const SET_KEYS = [
        'conditions' => ['where', 'at', 'signs_at'], 'finding_rules' => ['where', 'at', 'in', 'into', 'unmoved'],
        'tests' => ['into'], 'red_flags' => ['where'], 'techniques' => ['where'], 'clot_score' => ['where'],
    ];

    /** Where the client has it, or all over: told by the case and not by a set. */
    private const NO_SETS = ['zones', 'there', 'near', 'device', 'bound', 'everywhere'];

    /** @param  array<string, mixed>  $files decoded, by name; each has passed its schema */
    public function __construct(private array $files)
    {
    }

    /** @return list<Fault> */
    public function faults(): array
    {
        $faults = [];
        $ids = array_map(fn (array $list): array => array_column($this->rows(...$list), 'id'), self::LISTS);
        $ids['end of a manoeuvre'] = $this->vocabulary('manoeuvre_ends');
        foreach (self::LISTS as $kind => [$file, $list]) {
            array_push($faults, ...$this->twice($kind, $file, $list, $ids[$kind]));
        }
        foreach (self::VOCABULARY as $kind => $key) {
            array_push($faults, ...$this->againstVocabulary($kind, $ids[$kind], $this->vocabulary($key)));
        }
        foreach (self::USES as $file => $paths) {
            foreach ($paths as $path => $kind) {
                foreach ($this->found($this->files[$file], explode('/', $path)) as $pointer => $id) {
                    if (is_string($id) && ! in_array($id, $ids[$kind], true)) {
                        $faults[] = new Fault("$file.json $pointer", "\"$id\" is no $kind; ".$this->nearest($id, $ids[$kind]));
                    }
                }
            }
        }

        $zones = is_array($this->files['zones']) ? $this->files['zones'] : [];
        $sets = [...array_keys(is_array($zones['sets'] ?? null) ? $zones['sets'] : []), ...self::NO_SETS];
        foreach (self::SET_KEYS as $file => $keys) {
            array_push($faults, ...$this->setFaults($this->files[$file], $keys, $sets, "$file.json "));
        }

        return $faults;
    }

    /**
     * @param  list<string>  $keys
     * @param  list<array-key>  $sets
     * @return list<Fault>
     */
    private function setFaults(mixed $value, array $keys, array $sets, string $pointer): array
    {
        if (! is_array($value)) {
            return [];
        }
        $faults = [];
        foreach ($value as $key => $part) {
            if (in_array($key, $keys, true) && is_string($part) && ! in_array($part, $sets, true)) {
                $faults[] = new Fault("$pointer/$key", "\"$part\" is no set of zones; ".$this->nearest($part, $sets));
            }
            array_push($faults, ...$this->setFaults($part, $keys, $sets, "$pointer/$key"));
        }

        return $faults;
    }

    /**
     * @param  list<mixed>  $ids
     * @return list<Fault>
     */
    private function twice(string $kind, string $file, string $list, array $ids): array
    {
        $faults = $seen = [];
        foreach ($ids as $index => $id) {
            $id = is_string($id) ? $id : '';
            if (isset($seen[$id])) {
                $faults[] = new Fault("$file.json /$list/$index/id", "the $kind \"$id\" stands twice, first at /$list/{$seen[$id]}");
            }
            $seen[$id] ??= $index;
        }

        return $faults;
    }

    /**
     * @param  list<mixed>  $ids
     * @param  list<string>  $fixed
     * @return list<Fault>
     */
    private function againstVocabulary(string $kind, array $ids, array $fixed): array
    {
        [$file, $list] = self::LISTS[$kind];
        $faults = [];
        foreach (array_diff($fixed, array_filter($ids, is_string(...))) as $missing) {
            $faults[] = new Fault("$file.json /$list", "the $kind \"$missing\" of the vocabulary is missing");
        }
        foreach ($ids as $index => $id) {
            if (is_string($id) && ! in_array($id, $fixed, true)) {
                $faults[] = new Fault("$file.json /$list/$index/id", "\"$id\" is no $kind of the vocabulary; ".$this->nearest($id, $fixed));
            }
        }

        return $faults;
    }

    /** @return list<string> */
    private function vocabulary(string $key): array
    {
        $file = is_array($this->files['vocabulary']) ? $this->files['vocabulary'] : [];
        $part = is_array($file[$key] ?? null) ? $file[$key] : [];
        $ids = match (true) {
            $key === 'muscles' => [
                ...array_merge(...array_values(array_filter($part, is_array(...)))),
                ...(is_array($file['structures'] ?? null) ? $file['structures'] : []),
            ],
            $key === 'zones' => array_merge(...array_values(array_filter($part, is_array(...)))),
            array_is_list($part) => $part,
            default => array_keys($part),
        };

        return array_values(array_filter($ids, is_string(...)));
    }

    /** @return list<array<mixed>> */
    private function rows(string $file, string $list): array
    {
        $data = $this->files[$file];
        $rows = is_array($data) ? $data[$list] ?? [] : [];

        return is_array($rows) ? array_values(array_filter($rows, is_array(...))) : [];
    }

    /**
     * @param  list<string>  $path
     * @return iterable<string, mixed> value by pointer
     */
    private function found(mixed $value, array $path, string $pointer = ''): iterable
    {
        if ($path === []) {
            yield $pointer => $value;

            return;
        }
        $key = array_shift($path);
        if (! is_array($value)) {
            return;
        }
        foreach ($key === '*' ? array_keys($value) : [$key] as $name) {
            if (isset($value[$name])) {
                yield from $this->found($value[$name], $path, "$pointer/$name");
            }
        }
    }

    /** @param  list<mixed>  $allowed */
    private function nearest(string $id, array $allowed): string
    {
        $allowed = array_values(array_filter($allowed, is_string(...)));
        if (count($allowed) <= 12) {
            return 'allowed are '.implode(', ', $allowed);
        }
        usort($allowed, static fn (string $a, string $b): int => [levenshtein($id, $a), $a] <=> [levenshtein($id, $b), $b]);

        return 'nearest are '.implode(', ', array_slice($allowed, 0, 3)).' ('.count($allowed).' in all)';
    }
}
