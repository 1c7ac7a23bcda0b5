<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\EraseClient;
use App\Http\Pages\ClientArchive;
use App\Models\OutboxMail;
use App\Models\Right;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Inertia\Testing\AssertableInertia;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Who works here, what they may do, and how they come and go. */
final class PeopleTest extends TestCase
{
    public function test_the_tables_of_the_package_hold_the_rights_of_each_role(): void
    {
        foreach (Role::cases() as $role) {
            $user = $this->therapist(role: $role);
            foreach (Right::cases() as $right) {
                self::assertSame($role->may($right), $user->may($right), "{$role->value}: {$right->value}");
                self::assertSame($role->may($right), $user->hasPermissionTo($right->value), "{$role->value}: {$right->value}");
            }
        }
    }

    public function test_somebody_is_invited_by_mail_chooses_a_password_once_and_signs_in(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $this->actingAs($owner)
            ->post('/people', ['name' => 'Pim Sallow', 'email' => 'pim@quay.example', 'role' => 'student', 'supervisor_id' => $owner->id])
            ->assertRedirect('/people')
            ->assertSessionHasNoErrors();
        $pim = User::query()->where('email', 'pim@quay.example')->firstOrFail();
        self::assertSame(
            [Role::Student, false, 'student', $owner->id], [$pim->role, $pim->licensed, $pim->experience, $pim->supervisor_id],
        );
        $mail = OutboxMail::query()->latest('id')->firstOrFail();
        self::assertSame('pim@quay.example', $mail->to);
        self::assertSame(1, preg_match('#https?://\S+/choose-password/(\w+)\?\S+#', (string) $mail->text, $link));
        $this->post('/sign-out');

        $told = [
            'token' => $link[1], 'email' => 'pim@quay.example', 'invited' => true, 'password' => 'willow lantern seven',
            'password_confirmation' => 'willow lantern seven',
        ];
        $this->post('/choose-password', [...$told, 'password' => 'short', 'password_confirmation' => 'short'])
            ->assertSessionHasErrors('password');
        $this->post('/choose-password', $told)->assertRedirect('/sign-in')->assertSessionHasNoErrors();
        $this->post(
            '/choose-password', [...$told, 'password' => 'another lantern eight', 'password_confirmation' => 'another lantern eight'],
        )->assertSessionHasErrors('password');
        $this->post('/sign-in', ['email' => 'pim@quay.example', 'password' => 'willow lantern seven'])->assertRedirect('/');
        self::assertNull($pim->fresh()?->invited_at);
    }

    /** @param  array<string, mixed>  $told */
    #[DataProvider('wrongPeople')]
    public function test_what_is_no_person_is_refused_beside_its_field(array $told, string $field): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $stranger = $this->therapist();
        $told = array_map(static fn (mixed $value): mixed => $value === 'stranger' ? $stranger->id : $value, $told);

        $this->actingAs($owner)
            ->post('/people', ['name' => 'Pim', 'email' => 'pim@quay.example', 'role' => 'therapist', ...$told])
            ->assertSessionHasErrors($field);
        self::assertSame(2, User::query()->count());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrongPeople(): iterable
    {
        yield 'no name' => [['name' => ''], 'name'];
        yield 'no address' => [['email' => 'pim'], 'email'];
        yield 'a role nobody has' => [['role' => 'king'], 'role'];
        yield 'a student without supervisor' => [['role' => 'student'], 'supervisor_id'];
        yield 'a supervisor of another clinic' => [['role' => 'student', 'supervisor_id' => 'stranger'], 'supervisor_id'];
    }

    public function test_who_is_closed_is_out_at_once_and_what_was_written_stays(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $other = $this->therapist($owner->clinic);
        $visit = $this->visit($other);
        $this->actingAs($owner)->post("/people/{$other->id}/close")->assertSessionHasNoErrors();

        $this->actingAs($other->refresh())->get("/visits/{$visit->public_id}/ask")->assertRedirect('/sign-in');
        $this->post('/sign-in', ['email' => $other->email, 'password' => 'a good password'])->assertSessionHasErrors('email');
        self::assertTrue($visit->exists());
        $this->actingAs($owner)->post("/people/{$other->id}/open")->assertSessionHasNoErrors();
        $this->post('/sign-out');
        $this->post('/sign-in', ['email' => $other->email, 'password' => 'a good password'])->assertRedirect('/');
    }

    public function test_a_clinic_keeps_an_owner(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $this->actingAs($owner)->put("/people/{$owner->id}", ['role' => 'therapist', 'licensed' => true])->assertSessionHasErrors('role');
        $this->actingAs($owner)->post("/people/{$owner->id}/close")->assertSessionHasErrors('role');
        self::assertSame(Role::Owner, $owner->fresh()?->role);
        $this->therapist($owner->clinic, Role::Owner);

        $this->actingAs($owner)->put("/people/{$owner->id}", ['role' => 'therapist', 'licensed' => true])->assertSessionHasNoErrors();
        self::assertSame(Role::Therapist, $owner->fresh()?->role);
    }

    public function test_a_forgotten_password_is_answered_alike_for_known_and_unknown_and_its_link_holds_an_hour(): void
    {
        $user = $this->therapist();
        foreach ([$user->email, 'nobody@quay.example'] as $address) {
            $this->post('/forgotten', ['email' => $address])->assertSessionHas(
                'message', 'If this address has an account, a link is on its way. It holds an hour.',
            );
        }
        self::assertSame([$user->email], OutboxMail::query()->pluck('to')->all());
        preg_match('#/choose-password/(\w+)#', (string) OutboxMail::query()->firstOrFail()->text, $link);
        $told = [
            'token' => $link[1], 'email' => $user->email, 'password' => 'willow lantern seven',
            'password_confirmation' => 'willow lantern seven',
        ];
        $this->travel(61)->minutes();
        $this->post('/choose-password', $told)->assertSessionHasErrors('password');
        $this->travelBack();
        $this->post('/choose-password', $told)->assertSessionHasNoErrors();
        $this->post('/sign-in', ['email' => $user->email, 'password' => 'willow lantern seven'])->assertRedirect('/');
    }

    public function test_a_changed_password_ends_every_other_session(): void
    {
        $user = $this->therapist();
        $this->actingAs($user)->get('/')->assertOk();
        $this->put(
            '/account/password',
            ['current' => 'wrong', 'password' => 'willow lantern seven', 'password_confirmation' => 'willow lantern seven'],
        )->assertSessionHasErrors('current');
        $this->put(
            '/account/password',
            ['current' => 'a good password', 'password' => 'willow lantern seven', 'password_confirmation' => 'willow lantern seven'],
        )->assertSessionHasNoErrors();
        $this->get('/')->assertOk();
        $elsewhere = ['password_hash_web' => 'of the old password'];

        $this->withSession($elsewhere)->get('/')->assertRedirect('/sign-in');
    }

    public function test_the_outbox_is_read_by_the_owner_of_a_demo_that_switched_it_on_and_holds_the_mails_of_their_people_alone(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $stranger = $this->therapist(role: Role::Owner);
        foreach ([$owner, $stranger] as $one) {
            $this->post('/forgotten', ['email' => $one->email]);
        }
        $ask = function (string $environment, bool $on, string $mail = 'outbox'): TestResponse {
            $this->app->instance('env', $environment);
            config(['somatrace.outbox' => $on, 'mail.default' => $mail]);
            $answer = $this->get('/outbox');
            $this->app->instance('env', 'testing');

            return $answer;
        };
        $ask('local', true)->assertRedirect('/sign-in');
        $this->actingAs($this->therapist($owner->clinic));
        $ask('local', true)->assertForbidden();
        $this->actingAs($owner);
        $ask('production', true)->assertNotFound();
        $ask('local', false)->assertNotFound();
        $ask('local', true, 'smtp')->assertNotFound();
        $ask('local', true)->assertOk()->assertInertia(
            static fn (AssertableInertia $page): AssertableInertia => $page->count('mails', 1)->where('mails.0.to', $owner->email),
        );
    }

    public function test_a_students_note_waits_for_a_licensed_name_that_is_not_their_own(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $student = $this->therapist($owner->clinic, Role::Student);
        $student->update(['licensed' => false, 'supervisor_id' => $owner->id]);
        $visit = $this->visit($student);
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Neck, left.'])->assertSessionHasNoErrors();
        $this->post("/visits/{$visit->public_id}/countersign")->assertForbidden();
        $this->get('/')->assertInertia(static fn (AssertableInertia $page): AssertableInertia => $page
            ->where('awaiting.0.visit', $visit->public_id)->where('supervisor', $owner->name)->where('countersign', []));
        $this->actingAs($owner)
            ->get('/')
            ->assertInertia(static fn (AssertableInertia $page): AssertableInertia => $page->where('countersign.0.by', $student->name));
        $before = DB::table('notes')->value('case_document');
        $this->get("/visits/{$visit->public_id}/after")->assertInertia(
            static fn (AssertableInertia $page): AssertableInertia => $page
                ->where('may_countersign', true)
                ->where('notes.0.needs_countersign', true)
                ->where('notes.0.countersigner', null),
        );
        $this->post("/visits/{$visit->public_id}/countersign")->assertSessionHasNoErrors();

        $this->get("/visits/{$visit->public_id}/after")->assertInertia(
            static fn (AssertableInertia $page): AssertableInertia => $page->where('notes.0.countersigner', $owner->name),
        );
        $this->get('/')->assertInertia(static fn (AssertableInertia $page): AssertableInertia => $page
            ->where('countersign', [])->where('awaiting', [])->where('supervisor', null));
        $this->actingAs($student)->get('/')->assertInertia(
            static fn (AssertableInertia $page): AssertableInertia => $page->where('awaiting', []),
        );
        $this->actingAs($owner);
        self::assertSame($before, DB::table('notes')->value('case_document'), 'what was signed stays as it was');
    }

    public function test_a_student_writes_only_in_visits_they_began(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $visit = $this->visit($owner);
        $this->actingAs($this->therapist($owner->clinic, Role::Student));

        $this->get("/visits/{$visit->public_id}/ask")->assertInertia(
            static fn (AssertableInertia $page): AssertableInertia => $page->where('visit.writable', false),
        );
        $this->save($visit, 'complaint', ['zone' => 'neck_back', 'side' => 'left', 'now' => 6])->assertForbidden();
    }

    public function test_a_note_is_given_back_with_words_waits_for_its_author_and_once_corrected_for_a_name(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $student = $this->therapist($owner->clinic, Role::Student);
        $student->update(['licensed' => false, 'supervisor_id' => $owner->id]);
        $visit = $this->visit($student);
        $this->post("/visits/{$visit->public_id}/give-back", ['words' => 'Nothing is signed yet.'])->assertForbidden();
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Neck, left.'])->assertSessionHasNoErrors();
        $this->post("/visits/{$visit->public_id}/give-back", ['words' => 'My own note is fine.'])->assertForbidden();

        $this->actingAs($owner);
        $this->post("/visits/{$visit->public_id}/give-back", ['words' => 'no'])->assertSessionHasErrors('words');
        foreach (['Which side was felt first?', 'Which side was felt first, and how deep?'] as $words) {
            $this->post("/visits/{$visit->public_id}/give-back", ['words' => $words])->assertSessionHasNoErrors();
        }
        $this->assertDatabaseCount('note_remarks', 1);
        $this->get('/')->assertInertia(static fn (AssertableInertia $page): AssertableInertia => $page->where('countersign', []));

        $this->actingAs($student)->get('/')->assertInertia(static fn (AssertableInertia $page): AssertableInertia => $page
            ->where('awaiting.0.back', 'Which side was felt first, and how deep?'));
        $this->get("/visits/{$visit->public_id}/after")->assertInertia(static fn (AssertableInertia $page): AssertableInertia => $page
            ->where('notes.0.back', 'Which side was felt first, and how deep?')->where('notes.0.back_by', $owner->name)
            ->where('may_correct', true)->where('may_countersign', false));
        $this->post("/visits/{$visit->public_id}/correct", ['happened' => 'Neck, left first.', 'reason' => 'Asked which side.'])
            ->assertSessionHasNoErrors();
        $this->get('/')->assertInertia(static fn (AssertableInertia $page): AssertableInertia => $page
            ->count('awaiting', 1)->where('awaiting.0.back', null));

        $this->actingAs($owner)->get('/')->assertInertia(
            static fn (AssertableInertia $page): AssertableInertia => $page->count('countersign', 1),
        );
        $this->get("/visits/{$visit->public_id}/after")->assertInertia(static fn (AssertableInertia $page): AssertableInertia => $page
            ->where('notes.0.back_by', $owner->name)->where('notes.1.back', null));
        $this->post("/visits/{$visit->public_id}/countersign")->assertSessionHasNoErrors();
        $this->post("/visits/{$visit->public_id}/give-back", ['words' => 'After all, no.'])->assertSessionHasErrors('words');
        $this->actingAs($this->therapist());
        $this->post("/visits/{$visit->public_id}/give-back", ['words' => 'Of another clinic.'])->assertForbidden();

        $path = app(ClientArchive::class)->handle($visit->client, $owner->clinic);
        $zip = new \ZipArchive;
        $zip->open($path);
        $name = "visits/001-{$visit->started_at->format('Y-m-d')}.note-1-given-back.txt";
        self::assertSame("Which side was felt first, and how deep?\n", $zip->getFromName($name));
        $zip->close();
        unlink($path);
        app(EraseClient::class)->handle($visit->client, $owner->clinic, CarbonImmutable::now());
        $this->assertDatabaseCount('note_remarks', 0);
    }
}
