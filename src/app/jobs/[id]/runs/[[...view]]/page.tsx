export { RunsStation as default } from '@/ui/runs/RunsStation';
