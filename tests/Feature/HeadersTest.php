<?php

declare(strict_types=1);

namespace Tests\Feature;

use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Tests\TestCase;

final class HeadersTest extends TestCase
{
    public function test_a_page_runs_no_script_but_ours_and_sits_in_no_other(): void
    {
        $page = $this->get('/sign-in')->assertOk();
        $policy = (string) $page->headers->get('Content-Security-Policy');

        self::assertStringContainsString("script-src 'self';", $policy);
        self::assertStringNotContainsString('unsafe-eval', $policy);
        self::assertStringContainsString("frame-ancestors 'none'", $policy);
        $page
            ->assertHeader('X-Content-Type-Options', 'nosniff')
            ->assertHeader('X-Frame-Options', 'DENY')
            ->assertHeader('Referrer-Policy', 'same-origin');
        self::assertDoesNotMatchRegularExpression(
            '#<script(?![^>]*(\bsrc=|type="application/json"))#', (string) $page->getContent(), 'no script stands in the page itself',
        );
    }

    public function test_an_answer_says_how_long_it_is(): void
    {
        $visit = $this->visit($this->therapist());
        foreach (["/visits/{$visit->public_id}/ask", '/nowhere'] as $path) {
            $answer = $this->get($path);
            $answer->assertHeader('Content-Length', (string) strlen((string) $answer->getContent()));
        }
        $file = $this->get("/clients/{$visit->client->public_id}/export")->assertOk()->baseResponse;
        self::assertInstanceOf(BinaryFileResponse::class, $file);
        self::assertSame((string) $file->getFile()->getSize(), $file->headers->get('Content-Length'));
        @unlink($file->getFile()->getPathname());
    }

    public function test_nothing_clinical_is_kept_by_a_browser(): void
    {
        $visit = $this->visit($this->therapist());

        $this->get("/visits/{$visit->public_id}/ask")->assertOk()->assertHeader('Cache-Control', 'no-store, private');
    }

    public function test_what_went_wrong_is_said_in_our_own_words(): void
    {
        $stranger = $this->visit($this->therapist());
        $this->actingAs($this->therapist());

        $this->get('/nowhere')
            ->assertNotFound()
            ->assertInertia(fn ($page) => $page->component('Error', false)->where('status', 404))
            ->assertHeader('X-Frame-Options', 'DENY');
        $this->get("/visits/{$stranger->public_id}/ask")
            ->assertForbidden()
            ->assertInertia(fn ($page) => $page->component('Error', false)->where('status', 403));
        $this->getJson('/nowhere')->assertNotFound()->assertJsonStructure(['message']);
    }

    public function test_over_https_a_browser_never_falls_back(): void
    {
        self::assertNull($this->get('/sign-in')->headers->get('Strict-Transport-Security'));
        config(['app.url' => 'https://rooms.example']);
        // also where a proxy took the HTTPS off and did not say so
        $this->get('http://rooms.example/sign-in')->assertOk()->assertHeader('Strict-Transport-Security');
    }

    public function test_a_device_of_the_room_may_be_asked_and_nobody_else(): void
    {
        config(['somatrace.devices.algometer' => 'http://127.0.0.1:9001/algometer']);

        self::assertStringContainsString(
            "connect-src 'self' http://127.0.0.1:9001;", (string) $this->get('/sign-in')->headers->get('Content-Security-Policy'),
        );
    }
}
