<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/**
 * Finds what a person means: by name, synonym, movement, zone or complaint in their own words, typing errors forgiven.
 *
 * Every phrase of the atlas that could be meant is compared with the words asked: how much of what was asked it holds, rare
 * words counting more, and how little else it says. The weights are practice defaults, tried on a table of lay phrases.
 */
final class Search
{
    /** What a hit through such a phrase counts. */
    private const WEIGHTS = [
        'name' => 1.3, 'synonym' => 1.2, 'complaint' => 1.1, 'own_zone' => 0.75, 'referral' => 0.85, 'movement' => 0.6,
    ];

    private const SHARE_OF_BEST = 0.5;

    /** @var array<string, true> words that carry nothing in a complaint */
    private array $stop;

    /** @var array<string, string> word → the one it is compared by */
    private array $same = [];

    /**
     * @var list<array{kind: string, id: string, name: string, plain: string|null, field: string, text: string, words: array<string, true>}>
     */
    private array $phrases = [];

    /** @var array<string, float> word → how telling it is */
    private array $weight = [];

    /** @param  Fields  $words  of the data folder's search.json: what carries nothing, and what means the same */
    public function __construct(Atlas $atlas, Fields $words)
    {
        $this->stop = array_fill_keys($words->strings('stop'), true);
        $same = $words->fields('same');
        foreach ($same->keys() as $word) {
            $others = $same->strings($word);
            $this->same += array_fill_keys(array_map($this->stem(...), [$word, ...$others]), $this->stem($word));
        }
        foreach ($atlas->muscles as $muscle) {
            $this->muscle($atlas, $muscle);
        }
        foreach ($atlas->movements as $row) {
            $this->add('movement', $row->id, $row->name, null, 'name', $row->name);
            $this->add('movement', $row->id, $row->name, null, 'synonym', str_replace(['.', '_'], ' ', $row->id));
        }
        foreach ($atlas->tests as $row) {
            $this->add('test', $row->id, $row->name, null, 'name', $row->name);
        }
        foreach ($atlas->techniques as $row) {
            $this->add('technique', $row->id, $row->name, null, 'name', $row->name);
            $this->add('technique', $row->id, $row->name, null, 'synonym', str_replace('_', ' ', $row->id));
        }
        foreach ($atlas->handbook()->landmarks as $row) {
            $this->add('landmark', $row->id, $row->name, $row->plain, 'name', $row->name);
            $this->add('landmark', $row->id, $row->name, $row->plain, 'synonym', $row->plain);
        }
        $this->weigh();
    }

    /**
     * @param  string|null  $kind  muscle, movement, test, technique or landmark; every kind without it
     * @return list<array{kind: string, id: string, name: string, plain: string|null, because: string, score: float}> best first
     */
    public function find(string $asked, int $most = 12, ?string $kind = null): array
    {
        $words = $this->words($asked);
        $total = array_sum(array_map(fn (string $word): float => $this->weight[$word] ?? 6.0, array_keys($words)));
        if ($total <= 0) {
            return [];
        }
        $near = $this->near(array_map(strval(...), array_keys($words)));
        $found = [];
        foreach ($this->phrases as $phrase) {
            if ($kind !== null && $phrase['kind'] !== $kind) {
                continue;
            }
            $held = $this->held($phrase['words'], $near);
            if ($held <= 0) {
                continue;
            }
            $said = array_sum(array_map(fn (string $word): float => $this->weight[$word], array_keys($phrase['words'])));
            $score = self::WEIGHTS[$phrase['field']] * (0.7 * $held / $total + 0.3 * min(1, $held / $said));
            $key = $phrase['kind'].':'.$phrase['id'];
            $found[$key]['phrase'] ??= $phrase;
            $found[$key]['best'] ??= [];
            if ($score > ($found[$key]['top'] ?? 0)) {
                $found[$key]['phrase'] = $phrase;
                $found[$key]['top'] = $score;
            }
            $found[$key]['best'][$phrase['field']] = max($found[$key]['best'][$phrase['field']] ?? 0, $score);
        }

        return $this->sorted($found, $most);
    }

    /**
     * @param  array<string, array{
     *     phrase: array{
     *         kind: string, id: string, name: string, plain: string|null, field: string, text: string, words: array<string, true>,
     *     },
     *     best: array<string, float>, top?: float,
     * }>  $found
     * @return list<array{kind: string, id: string, name: string, plain: string|null, because: string, score: float}>
     */
    private function sorted(array $found, int $most): array
    {
        $hits = [];
        foreach ($found as $hit) {
            $best = $hit['best'];
            rsort($best);
            // a muscle that is meant in two ways is meant more; the third way adds little
            $score = $best[0] + 0.25 * ($best[1] ?? 0) + 0.1 * ($best[2] ?? 0);
            if ($score < 0.3) {
                continue;
            }
            $phrase = $hit['phrase'];
            $hits[] = [
                'kind' => $phrase['kind'], 'id' => $phrase['id'], 'name' => $phrase['name'], 'plain' => $phrase['plain'],
                'because' => $phrase['field'] === 'name' ? '' : $phrase['text'], 'score' => round($score, 4),
            ];
        }
        usort(
            $hits,
            static fn (array $a, array $b): int => [$b['score'], $a['kind'] !== 'muscle', $a['id']]
                <=> [$a['score'], $b['kind'] !== 'muscle', $b['id']],
        );

        // what is far less meant than the best is noise beside it
        $least = self::SHARE_OF_BEST * ($hits[0]['score'] ?? 0);

        return array_slice(array_values(array_filter($hits, static fn (array $hit): bool => $hit['score'] >= $least)), 0, $most);
    }

    private function muscle(Atlas $atlas, Muscle $muscle): void
    {
        $reference = $muscle->reference();
        $add = fn (string $field, string $text) => $this->add('muscle', $muscle->id, $muscle->name, $muscle->plain, $field, $text);
        $add('name', $muscle->name);
        foreach ([...array_filter([$muscle->plain]), ...$reference->synonyms] as $text) {
            $add('synonym', $text);
        }
        foreach ($reference->complaints as $text) {
            $add('complaint', $text);
        }
        foreach ($muscle->zones as $zone) {
            $add('own_zone', 'pain '.$atlas->zone($zone)->name);
        }
        foreach ($muscle->coreReferral as $zone) {
            $add('referral', 'pain '.$atlas->zone($zone)->name);
        }
        foreach ($muscle->lengthenedBy as $use) {
            $add('movement', 'cannot '.$atlas->movement($use->movement)->name);
        }
        foreach ($muscle->actions as $use) {
            $add('movement', $atlas->movement($use->movement)->name);
        }
    }

    private function add(string $kind, string $id, string $name, ?string $plain, string $field, string $text): void
    {
        $this->phrases[] = [
            'kind' => $kind, 'id' => $id, 'name' => $name, 'plain' => $plain, 'field' => $field, 'text' => $text,
            'words' => $this->words($text),
        ];
    }

    /** The rarer a word among the phrases, the more it tells. */
    private function weigh(): void
    {
        $in = [];
        foreach ($this->phrases as $phrase) {
            foreach (array_keys($phrase['words']) as $word) {
                $in[$word] = ($in[$word] ?? 0) + 1;
            }
        }
        foreach ($in as $word => $count) {
            $this->weight[$word] = log(1 + count($this->phrases) / $count);
        }
    }

    /**
     * @param  list<string>  $asked
     * @return array<string, array<string, float>> word asked → known words it may be, with what a hit on them counts
     */
    private function near(array $asked): array
    {
        $near = [];
        foreach ($asked as $word) {
            $near[$word] = [];
            foreach ($this->weight as $known => $weight) {
                $likeness = $this->likeness($word, (string) $known);
                if ($likeness > 0) {
                    $near[$word][(string) $known] = $likeness * min($weight, $this->weight[$word] ?? $weight);
                }
            }
        }

        return $near;
    }

    /** 1 for the same word, less for a word being typed or mistyped, 0 for another. */
    private function likeness(string $asked, string $known): float
    {
        if ($asked === $known) {
            return 1;
        }
        $length = strlen($asked);
        if ($length >= 3 && str_starts_with($known, $asked)) {
            return 0.85;
        }
        // "straighten" asked, "straight" known
        if (strlen($known) >= 5 && str_starts_with($asked, $known)) {
            return 0.8;
        }
        $allowed = match (true) {
            $length < 4 => 0,
            $length < 8 => 1,
            default => 2,
        };
        if ($allowed === 0 || abs($length - strlen($known)) > $allowed || isset($this->weight[$asked])) {
            return 0;
        }
        $off = $this->typos($asked, $known);

        return $off <= $allowed ? 0.85 - 0.15 * $off : 0;
    }

    /** Letters wrong, missing or too many; two that changed places count as one. */
    private function typos(string $a, string $b): int
    {
        if (strlen($a) === strlen($b)) {
            for ($i = 0; $i < strlen($a) - 1; $i++) {
                if ($a[$i] === $b[$i + 1] && $a[$i + 1] === $b[$i] && substr_replace($a, $b[$i].$b[$i + 1], $i, 2) === $b) {
                    return 1;
                }
            }
        }

        return levenshtein($a, $b);
    }

    /**
     * @param  array<string, true>  $phrase
     * @param  array<string, array<string, float>>  $near
     */
    private function held(array $phrase, array $near): float
    {
        $held = 0.0;
        foreach ($near as $words) {
            $hits = array_intersect_key($words, $phrase);
            $held += $hits === [] ? 0 : max($hits);
        }

        return $held;
    }

    /** @return array<string, true> the words of a text as they are compared, each once */
    private function words(string $text): array
    {
        $plain = strtr(mb_strtolower($text), ['’' => '', "'" => '', 'é' => 'e', 'ä' => 'a', 'ö' => 'o', 'ü' => 'u']);
        $plain = str_replace(['knee-cap', 'knee cap', 'can not'], ['kneecap', 'kneecap', 'cannot'], $plain);
        $words = [];
        foreach (preg_split('/[^a-z0-9]+/', $plain, flags: PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            if (! isset($this->stop[$word])) {
                $stem = $this->stem($word);
                $words[$this->same[$stem] ?? $stem] = true;
            }
        }

        return $words;
    }

    private function stem(string $word): string
    {
        foreach (['ing', 'es', 'ed', 's'] as $ending) {
            if (
                strlen($word) - strlen($ending) >= 4
                    && str_ends_with($word, $ending)
                    && ! str_ends_with($word, 'ss')
                    && ! str_ends_with($word, 'us')
                    && ! str_ends_with($word, 'is')
            ) {
                return substr($word, 0, -strlen($ending));
            }
        }

        return $word;
    }
}
