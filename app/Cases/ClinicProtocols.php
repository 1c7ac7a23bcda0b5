<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Protocol as Kept;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ChosenTarget;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\Clinic;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Planning\Protocol;

/** The protocols somebody may use: those that ship, their own, and those shared in their clinic. */
final readonly class ClinicProtocols
{
    private const SHIPPED = 'shipped.';

    public function __construct(private Clinic $clinic, private CaseAssembler $cases, private PlanTries $plans)
    {
    }

    /**
     * The last version of each, those that fit this client first.
     *
     * @return list<array{
     *     id: string, name: string, about: string, by: string|null, own: bool, shared: bool, version: int|null,
     *     versions: list<array{id: string, version: int, on: string}>, unfit: list<string>
     * }>
     */
    public function of(Visit $visit, User $user): array
    {
        $case = $this->cases->of($visit);
        $all = [];
        foreach ($this->clinic->protocols()->shipped() as $id => $one) {
            $all[] = [
                'id' => self::SHIPPED.$id, ...$this->words($one, $case), 'by' => null, 'own' => false, 'shared' => true, 'version' => null,
                'versions' => [],
            ];
        }
        $lines = Kept::seenBy($user)->with('user:id,name')->orderByDesc('version')->get()->groupBy('line');
        foreach ($lines as $versions) {
            $last = $versions->firstOrFail();
            $all[] = [
                'id' => $last->public_id, ...$this->words($this->protocol($last), $case), 'by' => $last->user->name,
                'own' => $last->user_id === $user->id, 'shared' => $last->shared, 'version' => $last->version,
                'versions' => array_values($versions->map(static fn (Kept $one): array => [
                    'id' => $one->public_id, 'version' => $one->version, 'on' => $user->clinic->day($one->created_at),
                ])->all()),
            ];
        }
        usort($all, static fn (array $a, array $b): int => [$a['unfit'] !== [], $a['by'] === null, $a['name']]
            <=> [$b['unfit'] !== [], $b['by'] === null, $b['name']]);

        return $all;
    }

    /** @return array{name: string, about: string, unfit: list<string>} */
    private function words(Protocol $one, CaseFile $case): array
    {
        return ['name' => $one->name, 'about' => $one->about, 'unfit' => $this->clinic->protocols()->unfit($one, $case)];
    }

    /** null where there is none they may see */
    public function find(User $user, string $id): ?Protocol
    {
        if (str_starts_with($id, self::SHIPPED)) {
            return $this->clinic->protocols()->shipped()[substr($id, strlen(self::SHIPPED))] ?? null;
        }
        $kept = Kept::seenBy($user)->where('public_id', $id)->first();

        return $kept === null ? null : $this->protocol($kept);
    }

    private function protocol(Kept $one): Protocol
    {
        return Protocol::from(Fields::of($one->document));
    }

    /**
     * What it would be for this client; nothing is set by it.
     *
     * @return array{
     *     side: string, unfit: list<string>, rows: list<array{name: string, minutes: float|null, because: list<string>}>,
     *     targets: list<array<array-key, mixed>>, minutes: int|null, school: array<string, string>, plan: array<string, mixed>
     * }
     */
    public function tried(Visit $visit, Protocol $protocol, ?Side $asked): array
    {
        $document = $this->cases->document($visit);
        $case = $this->clinic->reader()->hydrate($document);
        $side = $asked ?? self::sideOf($case);
        $targets = $protocol->targets($side);
        $keys = array_map(static fn (array $row): string => ChosenTarget::from(Fields::of($row))->key(), $targets);
        $others = array_values(array_filter(
            (array) ($document['session']['targets'] ?? []),
            static fn (array $row): bool => ! in_array(ChosenTarget::from(Fields::of($row))->key(), $keys, true),
        ));
        [$plan] = $this->plans->supposed($document, [[
            'targets' => [...$others, ...$targets], 'dropped' => [], 'school' => $protocol->school,
            ...$protocol->minutes === null ? [] : ['minutes' => $protocol->minutes],
        ]]);

        return [
            'side' => $side->value, 'unfit' => $this->clinic->protocols()->unfit($protocol, $case),
            'rows' => $this->clinic->protocols()->outcome($protocol, $side, $plan), 'targets' => $targets, 'minutes' => $protocol->minutes,
            'school' => $protocol->school, 'plan' => $plan,
        ];
    }

    /** The side of the worst complaint. */
    private static function sideOf(CaseFile $case): Side
    {
        $sided = array_values(array_filter(
            $case->findings->complaints, static fn (Complaint $one): bool => $one->side !== Side::Midline,
        ));
        usort($sided, static fn (Complaint $a, Complaint $b): int => ($b->now ?? $b->worstWeek ?? 0) <=> ($a->now ?? $a->worstWeek ?? 0));

        return $sided[0]->side ?? Side::Left;
    }

    /**
     * Keeps the plan of a visit under a name; under the name of one of their own it is the next version of that.
     *
     * @param  array{
     *     name: string, about: string, zones: list<string>, not_with: list<string>, from_visit: int|null, stages: list<string>
     * }  $about
     * @param  array<string, mixed>  $plan  of the visit
     */
    public function keep(Visit $visit, User $user, array $about, bool $isShared, array $plan): Kept
    {
        $document = $this->cases->document($visit);
        $case = $this->clinic->reader()->hydrate($document);
        $session = (array) ($document['session'] ?? []);
        $set = array_column(array_map(
            static fn (array $row): array => [ChosenTarget::from(Fields::of($row))->key(), $row], (array) ($session['targets'] ?? []),
        ), 1, 0);
        $made = Fields::of($plan)->map('targets', static fn (Fields $row): array => $row->plain());
        $chosen = [];
        foreach ($made as $row) {
            $on = array_intersect_key($row, ['muscle' => true, 'joint' => true, 'side' => true]);
            $key = ChosenTarget::from(Fields::of($on))->key();
            // own words were written of this client
            $byHand = array_diff_key($set[$key] ?? [], ['words' => true]);
            $chosen[$key] = [...$on, ...isset($row['muscle']) ? ['size' => $row['size']] : [], ...$byHand];
        }
        $order = array_flip(array_values(array_unique(array_filter(array_column((array) $plan['steps'], 'target')))));
        uksort($chosen, static fn (string $a, string $b): int => ($order[$a] ?? PHP_INT_MAX) <=> ($order[$b] ?? PHP_INT_MAX));
        $file = [
            'format' => Protocol::FORMAT, 'version' => Protocol::VERSION, 'name' => $about['name'], 'about' => $about['about'],
            'conditions' => (object) array_filter([
                'zones' => $about['zones'], 'not_with' => $about['not_with'], 'from_visit' => $about['from_visit'],
                'stages' => $about['stages'],
            ], static fn (mixed $one): bool => $one !== [] && $one !== null),
            'minutes' => $visit->minutes,
            ...$case->session->school === [] ? [] : ['school' => $case->session->school],
            'targets' => Protocol::rows(array_values($chosen), self::sideOf($case)),
        ];

        return $this->take($user, $this->clinic->protocols()->read(json_encode($file, JSON_THROW_ON_ERROR)), $isShared);
    }

    /** As a new protocol, or as the next version of their own of that name. */
    public function take(User $user, Protocol $protocol, bool $isShared): Kept
    {
        $before = Kept::query()->where('user_id', $user->id)->whereNull('gone_at')->orderByDesc('version')->get()
            ->first(fn (Kept $one): bool => $this->protocol($one)->name === $protocol->name);

        return Kept::query()->create([
            'clinic_id' => $user->clinic_id, 'user_id' => $user->id, 'line' => $before->line ?? (string) Str::ulid(),
            'version' => ($before->version ?? 0) + 1, 'document' => array_diff_key($protocol->toArray(), ['id' => true]),
            'shared' => $isShared, 'created_at' => CarbonImmutable::now(),
        ]);
    }
}
