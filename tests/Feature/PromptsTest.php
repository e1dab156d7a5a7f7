<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Prompts\WavFile;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\Support\TestDatabase;

/** Recordings over HTTP: read, converted, kept in versions, put in the draft, heard again. */
final class PromptsTest extends FeatureTestCase
{
    private const SCRIPT = 'Thank you for calling Inlet. For the desk, press one.';

    private string $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->takeOn()['key'];
        $this->edit($this->customer, [[
            'op' => 'create', 'object' => 'prompt:hello', 'path' => '',
            'value' => ['name' => 'Hello', 'script' => self::SCRIPT],
        ]])->assertOk();
    }

    public function test_a_recording_may_lie_on_a_disk_is_heard_from_there_and_goes_with_its_row(): void
    {
        $this->upload('ok_8k_mono_ulaw.wav')->assertCreated();
        $folder = sys_get_temp_dir() . '/roster-files-' . bin2hex(random_bytes(4));
        config(['filesystems.large' => 'folder', 'filesystems.disks.folder.root' => $folder]);
        $recording = $this->upload('ok_44k_stereo_pcm16.wav')->assertCreated()->json('recordings.0');
        $files = static fn (): array => glob("{$folder}/recordings/*/*.wav") ?: [];
        self::assertCount(1, $files());

        config(['filesystems.large' => '']);
        $heard = fn (int $no): string => (string) $this->get("{$this->path()}/{$no}/audio")->assertOk()->getContent();
        self::assertSame($recording['sha256'], hash('sha256', $heard(2)), 'whatever is said of new ones');
        self::assertNotSame('', $heard(1), 'in its row still');

        TestDatabase::owner()->exec("begin; select set_config('app.tidying', 'recordings', true); "
            . "delete from recordings where no = 2 and tenant_id = '{$this->tenantId($this->customer)}'; commit");
        self::assertCount(1, $files(), 'a file has no transaction');
        self::assertSame(0, Artisan::call('roster:tidy'));
        self::assertSame([], $files());
        self::assertSame(0, DB::table('files_let_go')->count());
    }

    public function test_a_disk_that_takes_nothing_is_said_and_nothing_is_kept(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'roster');
        config(['filesystems.large' => 'folder', 'filesystems.disks.folder.root' => "{$file}/below-a-file"]);

        $this->upload('ok_8k_mono_ulaw.wav')->assertStatus(503)
            ->assertJsonPath('detail', 'Nothing can be kept on the disk "folder" just now.');
        $this->getJson($this->path())->assertOk()->assertJsonPath('recordings', []);
    }

    /** @return iterable<string, array{string, string}> */
    public static function usable(): iterable
    {
        yield 'as telephones play it' => ['ok_8k_mono_ulaw.wav', 'G.711 mu-law, 8000 Hz, mono'];
        yield 'stereo from a computer' => ['ok_44k_stereo_pcm16.wav', 'PCM, 44100 Hz, 2 channels'];
        yield 'a rate of its own' => ['odd_7350_mono_pcm16.wav', 'PCM, 7350 Hz, mono'];
        yield 'in blocks' => ['ok_8k_mono_gsm610.wav', 'GSM 6.10, 8000 Hz, mono'];
    }

    #[DataProvider('usable')]
    public function test_whatever_it_came_as_telephones_can_play_it_and_the_book_says_what_it_is(
        string $file,
        string $cameAs,
    ): void {
        $recording = $this->upload($file)->assertCreated()->json('recordings.0');

        self::assertSame([1, 'upload', $cameAs, true, true, $this->lead->name], [
            $recording['no'], $recording['origin'], $recording['cameAs'], $recording['isUsed'],
            $recording['isOfThisScript'], $recording['by'],
        ]);
        $wav = (string) $this->get("{$this->path()}/1/audio")->assertOk()->getContent();
        self::assertTrue(SoundFormat::telephone(600)->isOf(WavFile::read($wav)));
        self::assertSame($recording['sha256'], hash('sha256', $wav));
        self::assertEqualsWithDelta(
            WavFile::read((string) file_get_contents(base_path("tests/data/wav/{$file}")))->seconds(),
            $recording['seconds'],
            0.03,
        );
        $played = WavFile::read((string) $this->get("{$this->path()}/1/audio?as=pcm")->assertOk()->getContent());
        self::assertSame(WavFile::read($wav)->samples(), $played->samples());
        $audio = $this->prompt()['audio'];
        self::assertSame([8000, 1, 'mu-law', $recording['sha256']], [
            $audio['rate'], $audio['channels'], $audio['codec'], $audio['sha256'],
        ]);
    }

    public function test_what_cannot_be_used_is_refused_with_its_reason_and_changes_nothing(): void
    {
        $before = $this->prompt();
        foreach (
            [
                'bad_truncated_data.wav' => 'ends before', 'bad_png_named.wav' => 'PNG', 'bad_empty.wav' => 'empty',
                'rf64_8k.wav' => 'RF64',
            ] as $file => $why
        ) {
            $problem = $this->upload($file)->assertStatus(422)->json();
            self::assertStringContainsString($why, $problem['detail']);
            self::assertSame('/audio', $problem['errors'][0]['pointer']);
        }
        self::assertSame([], $this->getJson($this->path())->assertOk()->json('recordings'));
        self::assertSame($before, $this->prompt());
    }

    public function test_the_studio_speaks_the_script_which_is_marked_and_a_recording_takes_its_place(): void
    {
        $spoken = $this->postJson("{$this->path()}/speech")->assertCreated()->json('recordings.0');
        self::assertSame('studio', $spoken['origin']);
        self::assertGreaterThan(2, $spoken['seconds']);
        self::assertEqualsWithDelta(-3, $spoken['peakDb'], 0.5);
        self::assertNotSame([], array_filter($spoken['waveform']));
        self::assertTrue($this->prompt()['standIn']);
        self::assertSame(
            $spoken['sha256'],
            $this->postJson("{$this->path()}/speech")->assertCreated()->json('recordings.0.sha256'),
            'the same lines sound the same',
        );

        $this->upload('ok_8k_mono_pcm16.wav', 'microphone')->assertCreated();
        self::assertFalse($this->prompt()['standIn']);
        self::assertSame([3, 2, 1], array_column($this->getJson($this->path())->json('recordings'), 'no'));

        $this->postJson("{$this->path()}/1/use")->assertOk();
        self::assertSame([true, $spoken['sha256']], [$this->prompt()['standIn'], $this->prompt()['audio']['sha256']]);
        $this->edit($this->customer, [
            ['object' => 'prompt:hello', 'path' => 'script', 'value' => 'Something else.'],
        ])->assertOk();
        self::assertSame([false], array_unique(
            array_column($this->getJson($this->path())->json('recordings'), 'isOfThisScript'),
        ));
    }

    /** How long it is spoken is how long callers listen. */
    public function test_the_spoken_length_is_the_calls(): void
    {
        $this->edit($this->customer, [
            [
                'op' => 'create', 'object' => 'announcement:closed', 'path' => '',
                'value' => ['name' => 'Closed', 'prompt' => 'prompt:hello', 'then' => 'release'],
            ],
            [
                'object' => 'number:' . array_column(
                    $this->getJson("/api/customers/{$this->customer}/desk")->json('objects'),
                    'key',
                    'kind',
                )['number'],
                'path' => 'destination',
                'value' => 'announcement:closed',
            ],
        ])->assertOk();
        $lasts = fn (): int => $this->postJson("/api/customers/{$this->customer}/calls", ['sentence' => 'main'])
            ->assertOk()
            ->json('trace.seconds');
        $read = $lasts();
        $seconds = $this->postJson("{$this->path()}/speech")->assertCreated()->json('recordings.0.seconds');

        self::assertNotSame($read, (int) ceil($seconds));
        self::assertSame((int) ceil($seconds), $lasts());
    }

    public function test_trouble_is_told_and_nobody_without_a_grant_to_edit_records(): void
    {
        $this->wire->interfere = static fn () => throw new ConnectionException('no route');
        $this->postJson("{$this->path()}/speech")->assertStatus(502)->assertJsonPath('title', 'Not spoken');
        $this->wire->interfere = null;
        $this->edit($this->customer, [
            ['object' => 'prompt:hello', 'path' => 'language', 'value' => 'tlh'],
        ])->assertOk();
        self::assertStringContainsString(
            'nobody here speaks',
            $this->postJson("{$this->path()}/speech")->assertStatus(502)->json('detail'),
        );
        $this->edit($this->customer, [['object' => 'prompt:hello', 'path' => 'script', 'value' => null]])->assertOk();
        $this->postJson("{$this->path()}/speech")->assertStatus(422);
        $this->enter($this->customer)->assertCreated();
        $reader = $this->technician();
        $this->grant($reader, $this->tenantId($this->customer), Ability::Read);
        $this->actingAs($reader);
        $this->upload('ok_8k_mono_ulaw.wav')->assertForbidden();
        $this->get("{$this->path()}/1/audio")->assertNotFound();
        self::assertSame([], $this->getJson($this->path())->assertOk()->json('recordings'));
    }

    private function path(): string
    {
        return "/api/customers/{$this->customer}/prompts/hello/recordings";
    }

    private function upload(string $file, string $origin = 'upload'): TestResponse
    {
        return $this->call(
            'POST',
            "{$this->path()}?origin={$origin}",
            server: ['CONTENT_TYPE' => 'audio/wav', 'HTTP_ACCEPT' => 'application/json'],
            content: (string) file_get_contents(base_path("tests/data/wav/{$file}")),
        );
    }

    /** @return array<string, mixed> */
    private function prompt(): array
    {
        return array_column(
            $this->getJson("/api/customers/{$this->customer}/desk")->assertOk()->json('objects'),
            'fields',
            'ref',
        )['prompt:hello'];
    }
}
