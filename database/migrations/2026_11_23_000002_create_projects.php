<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::create('projects', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('summary', 500)->default('');
            $table->timestamps();
        });
        Schema::create('memberships', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('project_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('role', 10);
            $table->timestamps();
            $table->unique(['project_id', 'user_id']);
        });
        Schema::create('variants', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('project_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->timestamps();
        });
        Schema::create('revisions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('variant_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->longText('document');
            $table->char('hash', 64);
            $table->string('step');
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->timestamp('created_at')->nullable();
            $table->unique(['variant_id', 'number']);
        });
        Schema::create('runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('variant_id')->constrained()->cascadeOnDelete();
            $table->foreignId('revision_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('grade', 10);
            $table->string('state', 10)->index();
            $table->boolean('stop_requested')->default(false);
            $table->unsignedTinyInteger('attempts')->default(0);
            $table->json('progress')->nullable();
            $table->text('message')->nullable();
            $table->unsignedInteger('cells')->nullable();
            $table->unsignedInteger('iterations')->nullable();
            $table->double('seconds')->nullable();
            $table->unsignedInteger('limits')->nullable();
            $table->unsignedInteger('missed')->nullable();
            $table->double('worst_margin')->nullable();
            $table->string('worst_limit')->nullable();
            $table->string('worker')->nullable();
            $table->timestamp('heartbeat_at', 3)->nullable();
            $table->timestamp('started_at', 3)->nullable();
            $table->timestamp('finished_at', 3)->nullable();
            $table->timestamps();
        });
        Schema::create('run_samples', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('iteration');
            $table->double('residual');
            $table->double('worst_margin')->nullable();
            $table->double('seconds');
        });
    }

    public function down(): void
    {
        array_map(Schema::dropIfExists(...), ['run_samples', 'runs', 'revisions', 'variants', 'memberships', 'projects']);
    }
};
