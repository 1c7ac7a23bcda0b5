<?php

declare(strict_types=1);

namespace App\Exchange\Fhir;

use App\Cases\Brought;
use App\Cases\BroughtEntry;
use App\Cases\BroughtVisit;
use App\Cases\ClientDetails;
use App\Cases\EntryCheck;
use App\Exchange\TextFile;
use App\Models\EntryKind;
use Carbon\CarbonImmutable;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;

/**
 * Reads a bundle that was written here, elsewhere or by hand in the same codes; what carries foreign codes is said to have no place here.
 */
final readonly class FhirReader
{
    private const KNOWN = ['Patient', 'Encounter', 'Observation', 'Procedure', 'CarePlan', 'Consent'];

    public function __construct(private EntryCheck $check)
    {
    }

    /**
     * @return array{client: array<string, mixed>, brought: Brought}
     *
     * @throws FaultyDocument every fault at its pointer
     */
    public function read(string $text, string $today): array
    {
        try {
            $bundle = json_decode(TextFile::checked($text), true, 64, JSON_THROW_ON_ERROR);
        } catch (\JsonException $fault) {
            throw FaultyDocument::whole('not valid JSON: '.$fault->getMessage());
        }
        if (
            ! is_array($bundle)
                || ($bundle['resourceType'] ?? null) !== 'Bundle'
                || ! is_array($bundle['entry'] ?? null)
                || ! array_is_list($bundle['entry'])
        ) {
            throw FaultyDocument::whole('must be a FHIR Bundle with a list of entries');
        }
        $by = array_fill_keys(self::KNOWN, []);
        $urls = [];
        $faults = [];
        foreach ($bundle['entry'] as $index => $entry) {
            $resource = is_array($entry) ? $entry['resource'] ?? null : null;
            $type = is_array($resource) ? $resource['resourceType'] ?? null : null;
            if (! is_array($resource) || ! is_string($type) || ! isset($by[$type])) {
                $faults[] = new Fault(
                    "/entry/$index/resource",
                    (is_string($type) ? "\"$type\" has no place here" : 'is no resource').'; known are '.implode(', ', self::KNOWN),
                );
            } else {
                $by[$type]["/entry/$index/resource"] = $resource;
                $urls["/entry/$index/resource"] = is_string($entry['fullUrl'] ?? null)
                    ? $entry['fullUrl']
                    : "$type/".(is_string($resource['id'] ?? null) ? $resource['id'] : '');
            }
        }
        if (count($by['Patient']) !== 1) {
            $faults[] = new Fault('/entry', count($by['Patient']).' patients, where one client is told of');
        }
        if ($faults !== []) {
            throw FaultyDocument::with($faults);
        }
        $pointer = (string) array_key_first($by['Patient']);
        $client = $this->client($by['Patient'][$pointer]);
        $faults = ClientDetails::faults($client, $pointer);
        [$visits, $wrong] = $this->visits($by, $urls, $today);
        array_push($faults, ...$wrong);

        return $faults === []
            ? [
                'client' => $client,
                'brought' => new Brought($visits, $by['CarePlan'] === [] ? [] : ['plans agreed: a plan is made anew from what was found']),
            ]
            : throw FaultyDocument::with($faults);
    }

    /**
     * @param  array<string, mixed>  $patient
     * @return array<string, mixed>
     */
    private function client(array $patient): array
    {
        $telecom = static function (mixed $list, string $system): ?string {
            foreach (is_array($list) ? $list : [] as $one) {
                if (is_array($one) && ($one['system'] ?? null) === $system && is_string($one['value'] ?? null)) {
                    return $one['value'];
                }
            }

            return null;
        };
        $client = [
            'code' => data_get($patient, 'identifier.0.value'), 'name' => data_get($patient, 'name.0.text'), 'pronoun' => 'unsaid',
            'born_on' => $patient['birthDate'] ?? null,
            'sex' => array_flip(FhirBundle::GENDERS)[$patient['gender'] ?? 'unknown'] ?? $patient['gender'], 'hand' => null,
            'mass_kg' => null, 'skin' => null, 'stoic' => null, 'guardian_name' => null, 'occupation' => null,
            'email' => $telecom($patient['telecom'] ?? null, 'email'), 'phone' => $telecom($patient['telecom'] ?? null, 'phone'),
            'address' => data_get($patient, 'address.0.text'), 'contacts' => [],
        ];
        foreach (FhirBundle::PATIENT_EXTENSIONS as $key => $type) {
            $client[$key] = $this->extension($patient, $key, $type) ?? $client[$key];
        }
        if (is_int($client['mass_kg'])) {
            $client['mass_kg'] = (float) $client['mass_kg'];
        }
        foreach (array_values(array_filter((array) ($patient['contact'] ?? []), is_array(...))) as $one) {
            $client['contacts'][] = [
                'kind' => data_get($one, 'relationship.0.coding.0.code'), 'name' => data_get($one, 'name.text'),
                'phone' => $telecom($one['telecom'] ?? null, 'phone'), 'email' => $telecom($one['telecom'] ?? null, 'email'),
                'note' => $this->extension($one, 'note', 'valueString'),
            ];
        }

        return $client;
    }

    /**
     * @param  array<string, array<string, array<string, mixed>>>  $by resources by type and pointer
     * @param  array<string, string>  $urls by which they are referred to, by pointer
     * @return array{list<BroughtVisit>, list<Fault>}
     */
    private function visits(array $by, array $urls, string $today): array
    {
        $faults = [];
        $encounters = [];
        foreach ($by['Encounter'] as $pointer => $encounter) {
            $start = data_get($encounter, 'period.start');
            $minutes = data_get($encounter, 'length.value');
            $at = is_string($start) && preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?(Z|[+-]\d\d:\d\d)$/', $start) === 1
                ? CarbonImmutable::parse($start)
                : null;
            if ($at === null || $at->format('Y-m-d') > $today) {
                $faults[] = new Fault("$pointer/period/start", 'must be a moment that has been, with its zone');
            } elseif ($minutes !== null && (! is_int($minutes) || $minutes < 10 || $minutes > 180)) {
                $faults[] = new Fault("$pointer/length/value", 'must be 10 to 180 minutes');
            } else {
                $encounters[$urls[$pointer]] = ['at' => $at, 'minutes' => $minutes, 'entries' => []];
            }
        }
        $worked = [];
        foreach (
            ['Observation' => $this->observed(...), 'Consent' => $this->consented(...), 'Procedure' => $this->worked(...)] as $type => $read
        ) {
            foreach ($by[$type] as $pointer => $resource) {
                $of = data_get($resource, 'encounter.reference') ?? data_get(
                    $this->extension($resource, 'encounter', 'valueReference'), 'reference',
                );
                if (! is_string($of) || ! isset($encounters[$of])) {
                    $faults[] = new Fault("$pointer/encounter", 'belongs to no encounter of this bundle');

                    continue;
                }
                $entry = $read($resource, $encounters[$of]['at']->format('Y-m-d'));
                if ($entry instanceof BroughtEntry && $entry->kind === EntryKind::Done) {
                    $entry = $entry->named($entry->kind->nameAmong($worked[$of] ?? [], $entry->payload, null));
                    $worked[$of][$entry->identity] = $entry->payload;
                }
                $wrong = is_string($entry)
                    ? [$entry]
                    : $this->check->faults($entry->kind, $entry->identity, $entry->payload, true, $entry->saidOn);
                array_push($faults, ...array_map(static fn (string $words): Fault => new Fault($pointer, $words), $wrong));
                if ($entry instanceof BroughtEntry) {
                    $encounters[$of]['entries'][] = $entry;
                }
            }
        }
        usort($encounters, static fn (array $a, array $b): int => $a['at'] <=> $b['at']);

        return [
            array_map(
                static fn (array $one): BroughtVisit => new BroughtVisit(
                    $one['at']->format('Y-m-d'), $one['entries'], $one['at']->toIso8601String(), $one['minutes'],
                ),
                $encounters,
            ),
            $faults,
        ];
    }

    /** @param  array<string, mixed>  $observation */
    private function observed(array $observation, string $on): BroughtEntry|string
    {
        $kind = data_get($observation, 'code.coding.0.system') === FhirBundle::SYSTEM.'entry'
            ? EntryKind::tryFrom((string) data_get($observation, 'code.coding.0.code'))
            : null;
        $said = $observation['effectiveDateTime'] ?? null;
        if ($kind === null || ! is_string($said) || preg_match('/^\d{4}-\d\d-\d\d$/', $said) !== 1 || $said > $on) {
            return $kind === null
                ? 'its code is none of ours, so nothing here can hold it'
                : 'effectiveDateTime must be a day, not later than the visit';
        }
        $payload = isset($observation['component']) ? [] : $this->value($observation);
        foreach ((array) ($observation['component'] ?? []) as $component) {
            $part = data_get($component, 'code.coding.0.code');
            if (! is_array($component) || ! is_string($part) || $part === '') {
                return 'a component has no code';
            }
            $payload[$part] = $this->value($component);
        }
        $identity = (string) ($this->extension($observation, 'identity', 'valueString') ?? '-');

        return new BroughtEntry(
            $kind, $this->extension($observation, 'phase', 'valueCode') === 'after' ? 'after' : 'before',
            $kind->nameOf($payload, $identity === '-' ? '' : $identity), $payload, $said,
        );
    }

    /** @param  array<string, mixed>  $consent */
    private function consented(array $consent, string $on): BroughtEntry|string
    {
        foreach ([EntryKind::Consent, EntryKind::Guardian] as $kind) {
            $told = json_decode((string) $this->extension($consent, $kind->value, 'valueString'), true);
            if (is_array($told)) {
                return new BroughtEntry($kind, 'before', $kind->nameOf($told, ''), $told, $on);
            }
        }

        return 'does not say what was agreed in a way that can be kept here';
    }

    /** @param  array<string, mixed>  $procedure */
    private function worked(array $procedure, string $on): BroughtEntry|string
    {
        $done = json_decode((string) $this->extension($procedure, 'done', 'valueString'), true);

        return is_array($done)
            ? new BroughtEntry(EntryKind::Done, 'before', EntryKind::Done->nameOf($done, ''), $done, $on)
            : 'does not say what was done in a way that can be kept here';
    }

    /** @param  array<string, mixed>  $holder */
    private function value(array $holder): mixed
    {
        return $holder['valueBoolean'] ?? data_get($holder, 'valueQuantity.value') ?? $holder['valueString'] ?? json_decode(
            (string) $this->extension($holder, 'json', 'valueString'), true,
        );
    }

    /** @param  array<string, mixed>  $holder */
    private function extension(array $holder, string $name, string $type): mixed
    {
        foreach (is_array($holder['extension'] ?? null) ? $holder['extension'] : [] as $extension) {
            if (is_array($extension) && ($extension['url'] ?? null) === FhirBundle::SYSTEM.$name) {
                return $extension[$type] ?? null;
            }
        }

        return null;
    }
}
