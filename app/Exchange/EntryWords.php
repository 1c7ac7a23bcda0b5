<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Models\EntryKind;
use Carbon\CarbonImmutable;
use Somatrace\Core\Clinic;

/** One recorded thing in a line of words, for a preview. */
final readonly class EntryWords
{
    public function __construct(private Clinic $clinic)
    {
    }

    public function name(EntryKind $kind, string $identity): string
    {
        $about = implode(
            ', ',
            array_filter(
                array_map($this->id(...), explode(':', $identity)),
                static fn (string $word): bool => $word !== '' && preg_match('/^\d{3}$/', $word) !== 1,
            ),
        );

        return ucfirst(match ($kind) {
            EntryKind::Aftermath => "after $identity hours", EntryKind::Function => 'task', EntryKind::RedFlag => 'danger sign',
            EntryKind::RedFlagSince => 'danger sign, since', EntryKind::ClotItem => 'calf', EntryKind::LegSigns => 'leg signs',
            EntryKind::GroupAsked => 'group read out',
            EntryKind::OthersDenied => 'everything else denied',
            EntryKind::Done => 'worked', EntryKind::Dropped => 'left out', EntryKind::Override => 'written decision',
            EntryKind::Positions => 'positions possible', default => $kind->value,
        }).($about === '' || $kind === EntryKind::Aftermath ? '' : ": $about");
    }

    /** What stands in it apart from what names it. */
    public function value(EntryKind $kind, mixed $payload): string
    {
        if (! is_array($payload)) {
            return match (true) {
                $payload === true => 'yes', $payload === false => 'no', $payload === null => 'nothing',
                is_scalar($payload) => $this->id((string) $payload), default => '',
            };
        }
        if (array_is_list($payload)) {
            return implode(
                ', ',
                array_map(fn (mixed $one): string => is_scalar($one) ? $this->id((string) $one) : $this->value($kind, $one), $payload),
            );
        }
        if (array_keys($payload) === ['zone', 'side'] || array_keys($payload) === ['movement', 'side']) {
            return implode(
                ' ',
                array_map(
                    fn (mixed $one): string => is_string($one) && $one !== 'midline' ? $this->id($one) : '',
                    array_reverse(array_values($payload)),
                ),
            );
        }
        $parts = [];
        foreach (array_diff_key($payload, array_flip($kind->nameKeys())) as $key => $value) {
            $parts[] = $kind === EntryKind::Test && $key === 'result'
                ? $this->answer($payload)
                : str_replace('_', ' ', (string) $key).' '.$this->value($kind, $value);
        }

        return implode(', ', $parts);
    }

    /** @param  array<array-key, mixed>  $finding  of a test: its answer in the words of that test */
    private function answer(array $finding): string
    {
        $test = $this->clinic->atlas()->tests[(string) ($finding['test'] ?? '')] ?? null;

        return $test->answers[(string) $finding['result']] ?? $this->id((string) $finding['result']);
    }

    private function id(string $id): string
    {
        $atlas = $this->clinic->atlas();

        return match (true) {
            preg_match('/^\d{4}-\d\d-\d\d$/', $id) === 1 => CarbonImmutable::parse($id)->format('j M Y'),
            isset($atlas->muscles[$id]) => $atlas->muscles[$id]->name,
            isset($atlas->zones[$id]) => $atlas->zones[$id]->name,
            isset($atlas->movements[$id]) => $atlas->movements[$id]->name,
            isset($atlas->tests[$id]) => $atlas->tests[$id]->name,
            default => str_replace(['_', '.'], ' ', $id),
        };
    }
}
