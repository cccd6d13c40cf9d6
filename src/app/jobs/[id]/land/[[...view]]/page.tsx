export { LandStation as default } from '@/ui/land/LandStation';
